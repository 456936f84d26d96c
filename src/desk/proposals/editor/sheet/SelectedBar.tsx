import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { moveEntries, removeEntries, roomNames, setGroup } from '@/core/editing';
import { useEditor, useEditorActions } from '../context';
import { useCopying } from '../copying/useCopying';
import { MakeBundleDialog } from './MakeBundleDialog';

/** What can be done with the rows that are selected. */
export function SelectedBar({
  selected,
  setSelected,
}: {
  readonly selected: ReadonlySet<string>;
  readonly setSelected: (selected: ReadonlySet<string>) => void;
}) {
  const { work } = useEditor();
  const [by, setBy] = useState<'room' | 'phase'>('phase');
  const [name, setName] = useState('');
  const [making, setMaking] = useState(false);
  const { reveal, seesCost } = useEditorActions();
  const ids = [...selected];
  const clear = () => setSelected(new Set());
  const { copy } = useCopying(selected, clear);
  const act = (change: Parameters<typeof work.edit>[0]) => {
    work.edit(change);
    clear();
  };
  return (
    <div className="sheet-bar sheet-bar-selected" role="toolbar" aria-label="Selected lines">
      <strong>{selected.size} selected</strong>
      <Select
        size="small"
        aria-label="Move to section"
        placeholder="Move to …"
        className="wide-choice"
        value={null}
        options={work.document.sections.map(({ id, title }) => ({ value: id, label: title }))}
        onChange={(sectionId: string | null) => {
          if (sectionId !== null) act((draft) => moveEntries(draft, ids, sectionId));
        }}
      />
      <form
        className="bar-group"
        onSubmit={(event) => {
          event.preventDefault();
          act((draft) => setGroup(draft, ids, by, name));
          setName('');
        }}
      >
        <Select
          size="small"
          aria-label="What they belong to"
          value={by}
          options={[
            { value: 'phase', label: 'Phase' },
            { value: 'room', label: 'Room' },
          ]}
          onChange={setBy}
        />
        <Input
          size="small"
          className="bar-field"
          aria-label={by === 'phase' ? 'Phase of the work' : 'Room'}
          placeholder="its name, then Enter"
          maxLength={60}
          list={by === 'room' ? 'rooms-named' : undefined}
          value={name}
          onChange={({ target }) => setName(target.value)}
        />
        <datalist id="rooms-named">
          {roomNames(work.document).map((each) => (
            <option key={each} value={each} />
          ))}
        </datalist>
        <Button size="small" htmlType="submit">
          Set
        </Button>
      </form>
      {seesCost && (
        <Button size="small" onClick={() => setMaking(true)}>
          Make a bundle
        </Button>
      )}
      {making && (
        <MakeBundleDialog
          ids={selected}
          close={() => setMaking(false)}
          done={(key) => {
            clear();
            reveal({ key });
          }}
        />
      )}
      <Button size="small" onClick={copy}>
        Copy
      </Button>
      <Button size="small" onClick={() => act((draft) => removeEntries(draft, ids))}>
        Remove
      </Button>
      <Button size="small" type="text" onClick={clear}>
        Clear
      </Button>
    </div>
  );
}
