import { StarOutlined } from '@ant-design/icons';
import { Button } from 'antd';

/** What the keys of the add line do, for a finger: add, an own line, what is often used, the library by trade. */
export const AddActs = ({
  typed,
  wordless,
  add,
  own,
  often,
  browse,
}: {
  /** Something stands in the field. */
  readonly typed: boolean;
  /** No words stand in it: what is often used may be shown. */
  readonly wordless: boolean;
  readonly add: () => void;
  readonly own: () => void;
  readonly often: () => void;
  readonly browse: () => void;
}) => (
  <>
    {typed && (
      // Where there are fingers and no Enter key.
      <span className="add-touch">
        <Button type="primary" onClick={add}>
          Add
        </Button>
        <Button onClick={own}>Own line</Button>
      </span>
    )}
    <Button
      type="text"
      size="small"
      icon={<StarOutlined />}
      aria-label="Often used and starred"
      title="Often used and starred (↓)"
      disabled={!wordless}
      onClick={often}
    />
    <Button type="link" size="small" onClick={browse}>
      Browse library
    </Button>
  </>
);
