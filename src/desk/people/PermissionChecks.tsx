import { Checkbox } from 'antd';
import type { Permission } from '@/model';
import { neededBy, permissions, withNeeded } from '@/model/permissions';

/** Permissions to tick: what one cannot be without comes and goes with it. */
export function PermissionChecks({
  held,
  offered,
  disabled = false,
  change,
}: {
  readonly held: readonly Permission[];
  /** Those that can be ticked at all; left out: all. */
  readonly offered?: readonly Permission[];
  readonly disabled?: boolean;
  readonly change: (change: (held: readonly Permission[]) => readonly Permission[]) => void;
}) {
  const put = (key: Permission, on: boolean) =>
    change((before) =>
      on
        ? withNeeded([...before, key])
        : before.filter((each) => each !== key && !neededBy(key).includes(each)),
    );
  return (
    <ul className="role-permissions">
      {permissions
        .filter(({ key }) => offered === undefined || offered.includes(key))
        .map(({ key, name, says }) => (
          <li key={key}>
            <Checkbox
              disabled={disabled}
              checked={held.includes(key)}
              onChange={({ target }) => put(key, target.checked)}
            >
              <strong>{name}</strong> <span className="soft">{says}</span>
            </Checkbox>
          </li>
        ))}
    </ul>
  );
}
