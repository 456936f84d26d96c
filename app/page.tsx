import { redirect } from 'next/navigation';
import { readSetUp } from '@/services/entering/setUp';

export default async function Home() {
  redirect((await readSetUp()).open ? '/set-up' : '/today');
}
