'use client';

import { Modal } from 'antd';
import { useState } from 'react';
import { lineFromItem, setQuantity } from '@/core/editing';
import type { Fixed } from '@/core/number';
import { ONE, parseFixed, showDecimal, writeFixed } from '@/core/number';
import type { LibraryItem } from '@/model';
import { unitAfter } from '@/model';
import { TradeBrowser } from '../../library/TradeBrowser';
import { newPartId, useEditor } from './context';
import type { Found } from '../../library/search';
import { useTake } from './addLine/useTake';

/** The library by trade, over the sheet: a tap takes one, another tap one more; a bundle then asks its inputs. */
export function BrowseLibraryDialog({
  section,
  close,
}: {
  readonly section: string | undefined;
  readonly close: () => void;
}) {
  const { work, lines } = useEditor();
  const { put, putBundle, said, setSaid } = useTake();
  const [own, setOwn] = useState<Readonly<Record<string, string>>>({});
  const taken = Object.fromEntries(
    Object.entries(own).flatMap(([id, lineId]) => {
      const line = lines.get(lineId);
      return line ? [[id, Number(writeFixed(line.quantity))]] : [];
    }),
  );
  const take = async (found: Found) => {
    if (found.kind === 'bundle') {
      close();
      await putBundle(found.bundle, null);
      return;
    }
    const known = own[found.item.id];
    const line = known === undefined ? undefined : lines.get(known)?.line;
    if (line) {
      const quantity = writeFixed((parseFixed(line.quantity) + ONE) as Fixed);
      work.edit((draft) => setQuantity(draft, line.id, quantity));
      setSaid(`${line.description}: ${showDecimal(quantity)} ${unitAfter(quantity, line.unit)} now.`);
      return;
    }
    const id = newPartId();
    put([lineFromItem(found.item, id, '1')]);
    setOwn({ ...own, [found.item.id]: id });
  };
  /** Their quantities are looked at one by one afterwards: nobody has said them. */
  const takeAll = (items: readonly LibraryItem[]) => {
    const added = items.map((item) => lineFromItem(item, newPartId(), null));
    put(added);
    setOwn({ ...own, ...Object.fromEntries(items.map((item, i) => [item.id, added[i]!.id])) });
  };
  return (
    <Modal
      open
      onCancel={close}
      footer={null}
      width="min(1100px, 94vw)"
      title={section === undefined ? 'Browse library' : `Browse library, for ${section}`}
    >
      <TradeBrowser
        section={section}
        taken={taken}
        takeAll={takeAll}
        take={(found) => {
          take(found).catch(() => setSaid('The library does not answer. Try again.'));
        }}
      />
      <p className="soft trade-said" role="status">
        {said || 'A tap takes one; the quantity can be set in the sheet.'}
      </p>
    </Modal>
  );
}
