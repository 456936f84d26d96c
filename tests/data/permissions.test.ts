import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { closeConnection } from '@/data/connection';
import type { Permission } from '@/model';
import { firstRoles, permissionKeys, withNeeded } from '@/model';
import type { Actor } from '@/services/actor';
import { newCompany } from '../support/desk';
import { doorTable } from '../support/doorTable';

afterAll(closeConnection);

/** Every act of the services that somebody signed in asks for, as it is called. */
function doorsInSource(): string[] {
  const root = path.join(process.cwd(), 'src', 'services');
  const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter(
    (file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && file !== 'actor.ts',
  );
  return files.flatMap((file) => {
    const source = readFileSync(path.join(root, file), 'utf8');
    const found = source.matchAll(
      /^export (?:async function|function|const) (\w+)(?: = (?:async )?)?(?:<[^>]*>)?\(\s*(actor: Actor\b)/gm,
    );
    return [...found].map(([, name]) => `${file.replace(/\.ts$/, '')} ${name!}`);
  });
}

const named = doorTable.map(({ door }) => door);

/**
 * What is about oneself, refuses by other rules (an owner's acts on roles), or asks operations for programs, each of which a test of
 * theirs asks with every permission.
 */
const openToAll = [
  'programs/ask askOperation',
  'programs/paging pageOf',
  'entering/companies listOwnCompanies',
  'entering/companies switchCompany',
  'accounts/listPreferences readListPreferences',
  'accounts/listPreferences saveListPreferences',
  'accounts/ownPassword changePassword',
  'accounts/preferences readPreferences',
  'accounts/preferences savePreferences',
  'accounts/secondStep beginSecondStep',
  'accounts/secondStep confirmSecondStep',
  'accounts/secondStep endSecondStep',
  'accounts/secondStep readOwnSignIn',
  'accounts/secondStep renewRecoveryCodes',
  'accounts/session listSessions',
  'accounts/session revokeSession',
  'entering/ownEmail askForEmail',
  'entering/setUp setUpAnother',
  'help/hints hintsFor',
  'help/hints putHintAway',
  'links mayShow',
  'people/mayGive reaches',
  'people/people endOtherSessions',
  'people/people renamePerson',
  'people/roles removeRole',
  'people/roles saveRole',
  'settings/checklist readChecklist',
  'settings/company readOwnCompany',
  'settings/removeDemo removeDemo',
];

test('every door of the services stands in the table', () => {
  expect(doorsInSource().filter((door) => !named.includes(door) && !openToAll.includes(door))).toEqual([]);
  expect([...named, ...openToAll].filter((door) => !doorsInSource().includes(door))).toEqual([]);
});

/** What becomes of a door for somebody with some permissions; what is asked is nothing it could do. */
async function refusedByRole(actor: Actor, held: readonly Permission[], door: (typeof doorTable)[number]) {
  const asked: Actor = { ...actor, isOwner: false, permissions: held };
  try {
    await door.act(asked);
    return false;
  } catch (error) {
    return (error as { details?: { code: string } }).details?.code === 'role-not-allowed';
  }
}

// Nothing that is asked could do anything: one company serves all.
let actor: Actor;
beforeAll(async () => {
  actor = await newCompany();
});

test.each(doorTable.map((row) => [row.door, row] as const))('%s', async (_, row) => {
  const opens = (held: readonly Permission[]) =>
    row.all.every((some) => some.some((each) => held.includes(each)));
  const sets: readonly (readonly Permission[])[] = [
    [],
    ...permissionKeys.map((key) => withNeeded([key])),
    // All but what opens it.
    permissionKeys.filter((key) => !row.all.flat().includes(key)),
    ...firstRoles.map(({ permissions }) => permissions),
  ];
  for (const held of sets)
    expect({ held, refused: await refusedByRole(actor, held, row) }).toEqual({ held, refused: !opens(held) });
});
