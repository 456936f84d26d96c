import { ArrowDownOutlined, ArrowUpOutlined, DeleteOutlined } from '@ant-design/icons';
import { Button } from 'antd';

/** Moves one of several up or down, or takes it out. */
export function EntryActs({
  name,
  first,
  last,
  move,
  remove,
}: {
  readonly name: string;
  readonly first: boolean;
  readonly last: boolean;
  readonly move: (by: 1 | -1) => void;
  readonly remove: () => void;
}) {
  return (
    <>
      <Button
        size="small"
        type="text"
        aria-label={`Move ${name} up`}
        disabled={first}
        icon={<ArrowUpOutlined />}
        onClick={() => move(-1)}
      />
      <Button
        size="small"
        type="text"
        aria-label={`Move ${name} down`}
        disabled={last}
        icon={<ArrowDownOutlined />}
        onClick={() => move(1)}
      />
      <Button
        size="small"
        type="text"
        danger
        aria-label={`Remove ${name}`}
        icon={<DeleteOutlined />}
        onClick={remove}
      />
    </>
  );
}
