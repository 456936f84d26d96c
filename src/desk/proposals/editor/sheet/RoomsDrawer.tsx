'use client';

import { Button, Drawer, Input } from 'antd';
import { useState } from 'react';
import { dropRoomSpace, readSides, removeRoom, renameRoom, roomNames, setRoomSpace } from '@/core/editing';
import { groupFigures } from '@/core/insight';
import { showAmount } from '@/core/number';
import { measuringOf, newOpening } from '@/core/space';
import { Cell } from '@/ui/live/Cell';
import { LiveFieldsScope } from '@/ui/live/liveFields';
import { PHONE, useNarrow } from '@/ui/screen/useScreenWidth';
import { newPartId, useEditor, useEditorActions } from '../context';
import { SizeInWords } from './SpaceFigures';
import { SpaceFields } from './SpaceFields';
import { SpaceField } from './SpaceShape';
import { followersInWords } from './roomWords';

/** One room: its name, its size where it has one, who follows it, and what stands in it. */
function RoomCard({
  name,
  net,
  cost,
}: {
  readonly name: string;
  readonly net: string;
  readonly cost: string;
}) {
  const { work, figures, readOnly } = useEditor();
  const { edit, document } = work;
  const { seesCost } = useEditorActions();
  const sized = figures.rooms.find(({ room }) => room.name === name);
  const space = sized?.room.space;
  const follow = sized ? followersInWords(sized, document) : '';
  return (
    <section className="room-card" aria-label={name} data-sizes="new-room">
      <div className="room-head">
        {/* Half a name may be another room’s: it is taken when the field is left. */}
        <LiveFieldsScope value={null}>
          <Cell
            name="room"
            label={`Name of ${name}`}
            shown={name}
            readOnly={readOnly}
            onEnter={() => (globalThis.document.activeElement as HTMLElement | null)?.blur()}
            commit={(text) => edit((draft) => renameRoom(draft, name, text))}
          />
        </LiveFieldsScope>
        <span className="soft amount">
          {seesCost && `cost ${cost}, `}price {net}
        </span>
      </div>
      {space && sized ? (
        <>
          <div className="inputs">
            <SpaceFields
              space={space}
              change={(next) => edit((draft) => setRoomSpace(draft, sized.room.id, name, next))}
            />
          </div>
          <p className="space-figures">
            {sized.space.trouble && <span className="wrong">{sized.space.trouble} </span>}
            <SizeInWords space={space} read={sized.space} />
          </p>
          <p className="space-figures soft">
            {follow === '' ? 'Nothing follows this size yet.' : `Sizes ${follow}.`}
          </p>
        </>
      ) : (
        // Taken as a whole, when the field is left: half of it is a size, too.
        <LiveFieldsScope value={null}>
          <div className="inputs">
            <SpaceField
              wide
              label="No size yet: length x width x height"
              shown=""
              commit={(text) =>
                text.trim() &&
                edit((draft) =>
                  setRoomSpace(draft, newPartId(), name, readSides(text, measuringOf(document))),
                )
              }
            />
          </div>
        </LiveFieldsScope>
      )}
      {!readOnly && (
        <div className="space-acts">
          {space && sized && (
            <>
              <Button
                size="small"
                onClick={() =>
                  edit((draft) =>
                    setRoomSpace(draft, sized.room.id, name, {
                      ...space,
                      openings: [...space.openings, newOpening(newPartId())],
                    }),
                  )
                }
              >
                Add an opening
              </Button>
              <Button size="small" onClick={() => edit((draft) => dropRoomSpace(draft, name))}>
                No size
              </Button>
            </>
          )}
          <Button size="small" onClick={() => edit((draft) => removeRoom(draft, name))}>
            Remove {name.length > 24 ? 'this room' : name}
          </Button>
        </div>
      )}
    </section>
  );
}

/** A new room in one line: its name, and its sides as they are said. */
function NewRoom({ taken }: { readonly taken: ReadonlySet<string> }) {
  const { work } = useEditor();
  const [name, setName] = useState('');
  const [sides, setSides] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const add = () => {
    // Enter behind the name goes on to the size.
    if (name.trim() !== '' && sides.trim() === '') return document.getElementById('new-room-sides')?.focus();
    try {
      if (taken.has(name.trim())) throw new Error(`There is a room “${name.trim()}” with a size already.`);
      const space = readSides(sides, measuringOf(work.document));
      work.edit((draft) => setRoomSpace(draft, newPartId(), name, space));
      setName('');
      setSides('');
      setWrong(null);
      document.getElementById('new-room')?.focus();
    } catch (error) {
      setWrong((error as Error).message);
    }
  };
  return (
    <form
      className="new-room"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <Input
        id="new-room"
        aria-label="New room"
        placeholder="Sunroom"
        maxLength={60}
        value={name}
        onChange={({ target }) => setName(target.value)}
      />
      <Input
        id="new-room-sides"
        aria-label="Length x width x height"
        placeholder={measuringOf(work.document) === 'us' ? '15 x 16 x 9' : '4.5 x 4.8 x 2.7'}
        maxLength={200}
        value={sides}
        status={wrong === null ? '' : 'error'}
        onChange={({ target }) => setSides(target.value)}
      />
      <Button htmlType="submit" type="primary">
        Add
      </Button>
      {wrong !== null && (
        <p className="wrong" role="alert">
          {wrong}
        </p>
      )}
    </form>
  );
}

/** The rooms of a proposal in one place: what each measures, and what follows it. */
export function RoomsDrawer({ open, close }: { readonly open: boolean; readonly close: () => void }) {
  const { work, figures, readOnly } = useEditor();
  const narrow = useNarrow(PHONE);
  const names = open ? roomNames(work.document) : [];
  const sums = new Map(
    open ? groupFigures(figures, 'room').map((group) => [group.name, group] as const) : [],
  );
  const show = (amount: bigint | undefined) =>
    showAmount((amount ?? 0n) as Parameters<typeof showAmount>[0], figures.minorDigits);
  return (
    <Drawer
      title="Rooms"
      open={open}
      onClose={close}
      size={narrow ? '100%' : 620}
      destroyOnHidden
      rootClassName="rooms-drawer"
    >
      <p className="soft">
        A room has a size that sections and lines share: change it here, and floors, walls and trim of every
        trade follow. Select lines on the sheet to put them in a room; a section chooses its room where its
        dimensions are.
      </p>
      {!readOnly && <NewRoom taken={new Set(figures.rooms.map(({ room }) => room.name))} />}
      {names.length === 0 && <p>No room is named in this proposal yet.</p>}
      {names.map((name) => (
        <RoomCard key={name} name={name} net={show(sums.get(name)?.net)} cost={show(sums.get(name)?.cost)} />
      ))}
    </Drawer>
  );
}
