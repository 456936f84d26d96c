import type { Metadata } from 'next';
import { InterfacePage } from '@/desk/programs/InterfacePage';
import { describedInterface } from '@/services/programs/described';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Interface for programs' };

/** What other programs can ask, for who connects one. */
export default async function InterfaceRoute() {
  await pageActor();
  return <InterfacePage parts={describedInterface()} />;
}
