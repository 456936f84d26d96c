'use client';

import {
  BarChartOutlined,
  BarsOutlined,
  ClockCircleOutlined,
  DollarOutlined,
  FileDoneOutlined,
  FileTextOutlined,
  LogoutOutlined,
  MenuOutlined,
  QuestionCircleOutlined,
  SearchOutlined,
  SettingOutlined,
  TeamOutlined,
} from '@ant-design/icons';
import { Drawer } from 'antd';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useState } from 'react';
import type { Permission } from '@/model';
import type { OwnCompanies, SwitchTo } from './companies/CompanySwitch';
import { CompanySwitch } from './companies/CompanySwitch';
import { useFindKeys } from './find/useFindKeys';
import { useHelpKey } from './help/useHelpKey';
import { useKeysSheet } from './keys/useKeysSheet';
import './rail.css';

const FindAnything = dynamic(() => import('./find/FindAnything').then((module) => module.FindAnything));
const HelpDrawer = dynamic(() => import('./help/HelpDrawer').then((module) => module.HelpDrawer));
const KeysDialog = dynamic(() => import('./keys/KeysDialog').then((module) => module.KeysDialog));

/** The places of the desk, and what lets one go there; those that are gone to on a phone stand in its bar, the others behind “More”. */
const places = [
  { path: '/today', name: 'Today', Icon: ClockCircleOutlined, inBar: true, needs: null },
  { path: '/proposals', name: 'Proposals', Icon: FileTextOutlined, inBar: true, needs: 'prices' as const },
  { path: '/customers', name: 'Customers', Icon: TeamOutlined, inBar: false, needs: 'prices' as const },
  { path: '/library', name: 'Library', Icon: BarsOutlined, inBar: false, needs: 'cost' as const },
  { path: '/agreements', name: 'Agreements', Icon: FileDoneOutlined, inBar: true, needs: 'prices' as const },
  { path: '/money', name: 'Money', Icon: DollarOutlined, inBar: false, needs: 'prices' as const },
  { path: '/reports', name: 'Reports', Icon: BarChartOutlined, inBar: false, needs: 'prices' as const },
];

function Place({
  place: { path, name, Icon, inBar },
  here,
  gone,
}: {
  readonly place: (typeof places)[number];
  readonly here: string;
  readonly gone?: () => void;
}) {
  return (
    <Link
      href={path}
      prefetch={false}
      className={`rail-place ${inBar ? '' : 'rail-beyond'}`}
      {...(here.startsWith(path) ? { 'aria-current': 'page' as const } : {})}
      {...(gone ? { onClick: gone } : {})}
    >
      <Icon aria-hidden="true" />
      <span>{name}</span>
    </Link>
  );
}

const settings = { path: '/settings', name: 'Settings', Icon: SettingOutlined, inBar: false, needs: null };

const Help = ({ open, className = '' }: { readonly open: () => void; readonly className?: string }) => (
  <button type="button" className={`rail-place ${className}`} title="Help with this page (F1)" onClick={open}>
    <QuestionCircleOutlined aria-hidden="true" />
    <span>Help</span>
  </button>
);

const SignOut = ({ name, signOut }: { readonly name: string; readonly signOut: () => Promise<void> }) => (
  <form action={signOut} className="rail-beyond">
    <button type="submit" className="rail-place" title={`${name}: sign out`}>
      <LogoutOutlined aria-hidden="true" />
      <span>Sign out</span>
    </button>
  </form>
);

/** The seven places of the desk, settings at the foot; on a phone a bar at the foot of the screen. */
export function Rail({
  name,
  permissions,
  demo,
  companies,
  switchTo,
  signOut,
}: {
  readonly name: string;
  /** The company is made up. */
  readonly demo: boolean;
  readonly permissions: readonly Permission[];
  /** Those one works for; one goes on in another of several. */
  readonly companies: OwnCompanies;
  readonly switchTo: SwitchTo;
  readonly signOut: () => Promise<void>;
}) {
  const here = usePathname();
  const [finding, setFinding] = useFindKeys();
  const [groups, setGroups] = useKeysSheet();
  const [helping, setHelping] = useHelpKey();
  const [more, setMore] = useState(false);
  const less = () => setMore(false);
  const open = places.filter(({ needs }) => needs === null || permissions.includes(needs));
  const switching = companies.length > 1 && <CompanySwitch companies={companies} switchTo={switchTo} />;
  return (
    <nav className="rail" aria-label="Places">
      <span className="rail-mark rail-beyond" aria-hidden="true">
        I
      </span>
      {demo && (
        <Link
          href="/settings#about=data"
          prefetch={false}
          className="rail-demo rail-beyond"
          title="Everything here is made up. Remove the demo to begin with your own company."
        >
          Demo
        </Link>
      )}
      {permissions.includes('prices') && (
        <button
          type="button"
          className="rail-place"
          title="Find anything (Ctrl K)"
          onClick={() => setFinding(true)}
        >
          <SearchOutlined aria-hidden="true" />
          <span>Find</span>
        </button>
      )}
      {open.map((place) => (
        <Place key={place.path} place={place} here={here} />
      ))}
      <span className="rail-space rail-beyond" />
      <Help open={() => setHelping(true)} className="rail-beyond" />
      <Place place={settings} here={here} />
      {switching}
      <SignOut name={name} signOut={signOut} />
      <button
        type="button"
        className="rail-place rail-more"
        aria-haspopup="dialog"
        {...([...open, settings].some(({ path, inBar }) => !inBar && here.startsWith(path))
          ? { 'aria-current': true }
          : {})}
        onClick={() => setMore(true)}
      >
        <MenuOutlined aria-hidden="true" />
        <span>More</span>
      </button>
      <Drawer open={more} placement="bottom" size="auto" title={name} onClose={less} destroyOnHidden>
        <div className="rail-sheet">
          {[...open.filter(({ inBar }) => !inBar), settings].map((place) => (
            <Place key={place.path} place={place} here={here} gone={less} />
          ))}
          <Help
            open={() => {
              less();
              setHelping(true);
            }}
          />
          {switching}
          <SignOut name={name} signOut={signOut} />
        </div>
      </Drawer>
      {finding && <FindAnything close={() => setFinding(false)} />}
      {helping && <HelpDrawer close={() => setHelping(false)} />}
      {groups && <KeysDialog groups={groups} close={() => setGroups(null)} />}
    </nav>
  );
}
