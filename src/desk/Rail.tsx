'use client';

import {
  BarChartOutlined,
  BarsOutlined,
  ClockCircleOutlined,
  DollarOutlined,
  FileTextOutlined,
  LogoutOutlined,
  SearchOutlined,
  SettingOutlined,
  TeamOutlined,
  FileDoneOutlined,
} from '@ant-design/icons';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useFindKeys } from './find/useFindKeys';

const FindAnything = dynamic(() => import('./find/FindAnything').then((module) => module.FindAnything));

const places = [
  { path: '/today', name: 'Today', Icon: ClockCircleOutlined },
  { path: '/proposals', name: 'Proposals', Icon: FileTextOutlined },
  { path: '/customers', name: 'Customers', Icon: TeamOutlined },
  { path: '/library', name: 'Library', Icon: BarsOutlined },
  { path: '/agreements', name: 'Agreements', Icon: FileDoneOutlined },
  { path: '/money', name: 'Money', Icon: DollarOutlined },
  { path: '/reports', name: 'Reports', Icon: BarChartOutlined },
];

/** The seven places of the desk, settings at the foot. */
export function Rail({ name, signOut }: { name: string; signOut: () => Promise<void> }) {
  const here = usePathname();
  const [finding, setFinding] = useFindKeys();
  const mark = (path: string) => (here.startsWith(path) ? { 'aria-current': 'page' as const } : {});
  return (
    <nav className="rail" aria-label="Places">
      <span className="rail-mark" aria-hidden="true">
        I
      </span>
      <button
        type="button"
        className="rail-place"
        title="Find anything (Ctrl K)"
        onClick={() => setFinding(true)}
      >
        <SearchOutlined aria-hidden="true" />
        <span>Find</span>
      </button>
      {places.map(({ path, name: label, Icon }) => (
        <Link key={path} href={path} prefetch={false} className="rail-place" {...mark(path)}>
          <Icon aria-hidden="true" />
          <span>{label}</span>
        </Link>
      ))}
      <span className="rail-space" />
      <Link href="/settings" prefetch={false} className="rail-place" {...mark('/settings')}>
        <SettingOutlined aria-hidden="true" />
        <span>Settings</span>
      </Link>
      <form action={signOut}>
        <button type="submit" className="rail-place" title={`${name}: sign out`}>
          <LogoutOutlined aria-hidden="true" />
          <span>Sign out</span>
        </button>
      </form>
      {finding && <FindAnything close={() => setFinding(false)} />}
    </nav>
  );
}
