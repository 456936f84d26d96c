'use client';

import { Drawer } from 'antd';
import { useState } from 'react';
import type { Contract } from '@/model';
import { moneyOf, showPercent } from '@/core/number';
import { useEditor, useEditorActions } from './context';
import { Tally } from './Tally';

/** The tally where there is no room beside the work: total and margin at the foot, the whole of it a tap away. */
export function TallyFoot({ contract }: { readonly contract: Contract | null }) {
  const { work, figures } = useEditor();
  const { seesCost } = useEditorActions();
  const [opened, setOpened] = useState(false);
  const money = moneyOf(figures.minorDigits);
  return (
    <>
      <button type="button" className="tally-foot" aria-haspopup="dialog" onClick={() => setOpened(true)}>
        <span>
          <span className="soft">Total as suggested, {work.document.currency}</span>{' '}
          <strong data-testid="foot-total">{money.show(figures.total)}</strong>
        </span>
        {seesCost && (
          <span className="soft">
            {figures.margin === null ? 'No price yet' : `Margin ${showPercent(figures.margin)} %`}
          </span>
        )}
        <span className="tally-more">How it comes about</span>
      </button>
      <Drawer
        open={opened}
        placement="bottom"
        size="86%"
        title="Tally"
        onClose={() => setOpened(false)}
        destroyOnHidden
      >
        <Tally contract={contract} />
      </Drawer>
    </>
  );
}
