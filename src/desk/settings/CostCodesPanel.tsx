'use client';

import { Alert, Button, Input, Select } from 'antd';
import { useState } from 'react';
import { costCodesAsText, readCostCodes } from '@/core/importing/costCodes';
import type { Answer, CostCodes } from '@/model';
import { FileButton } from '@/ui/fields/FileField';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { useSubmit } from '@/ui/useSubmit';

interface Typed {
  readonly text: string;
  readonly byTrade: CostCodes['byTrade'];
}

const asTyped = ({ codes, byTrade }: CostCodes): Typed => ({ text: costCodesAsText(codes), byTrade });

/** The codes of the list as it is typed; none while it cannot be read. */
function readTyped(text: string): { codes: CostCodes['codes']; trouble: string | null } {
  try {
    return { codes: readCostCodes(text), trouble: null };
  } catch (error) {
    return { codes: [], trouble: (error as Error).message };
  }
}

/** The cost codes the company books by: typed, pasted or from a file; and which one the work of each trade has. */
export function CostCodesPanel({
  stored,
  trades,
  mayChange,
  save,
}: {
  readonly stored: CostCodes;
  readonly trades: readonly string[];
  readonly mayChange: boolean;
  readonly save: (input: unknown) => Promise<Answer<CostCodes>>;
}) {
  const [over, setOver] = useState(stored);
  const [typed, setTyped] = useState<Typed>(asTyped(stored));
  const { done, notice } = useKeptForm<Typed>(
    mayChange ? 'cost codes' : null,
    typed,
    asTyped(over),
    setTyped,
  );
  const { busy, refused, setRefused, submit } = useSubmit();
  const { codes, trouble } = readTyped(typed.text);
  const known = new Set(codes.map(({ code }) => code));
  const offered = [...new Set([...trades, ...Object.keys(typed.byTrade)])].sort();
  const store = () => {
    if (trouble) return setRefused(trouble);
    const asked = typed;
    // A trade whose code is not in the list any more has none.
    const byTrade = Object.fromEntries(Object.entries(asked.byTrade).filter(([, code]) => known.has(code)));
    void submit(() => save({ codes, byTrade, over }), {
      said: ({ codes: kept }) => `${kept.length} cost ${kept.length === 1 ? 'code is' : 'codes are'} in use.`,
      then: (now) => {
        setOver(now);
        // What was typed since the press stays.
        setTyped((since) => (since === asked ? asTyped(now) : since));
        done();
      },
    });
  };
  return (
    <div className="panel">
      {notice}
      <label>
        A line each: code; name. Pasted from a spreadsheet, or from a file.
        <Input.TextArea
          style={{ marginTop: 6, fontVariantNumeric: 'tabular-nums' }}
          rows={Math.min(14, Math.max(4, typed.text.split('\n').length))}
          readOnly={!mayChange}
          spellCheck={false}
          maxLength={400_000}
          value={typed.text}
          onChange={({ target }) => setTyped((before) => ({ ...before, text: target.value }))}
        />
      </label>
      {trouble && <p className="wrong">{trouble}</p>}
      {mayChange && (
        <FileButton
          label="A list of cost codes"
          accept=".csv,.txt,text/csv,text/plain"
          take={(file) => void file.text().then((text) => setTyped((before) => ({ ...before, text })))}
          size="small"
        >
          Take a file
        </FileButton>
      )}
      {offered.length > 0 && (
        <>
          <p className="settings-what">An item without a code has that of its trade:</p>
          <div className="usual">
            {offered.map((trade) => (
              <label key={trade}>
                {trade}
                <Select
                  aria-label={`Cost code of ${trade}`}
                  className="wide-choice"
                  allowClear
                  showSearch
                  disabled={!mayChange}
                  placeholder="none"
                  value={known.has(typed.byTrade[trade] ?? '') ? typed.byTrade[trade] : null}
                  options={codes.map(({ code, name }) => ({
                    value: code,
                    label: name === '' ? code : `${code} ${name}`,
                  }))}
                  onChange={(code: string | null | undefined) =>
                    setTyped((before) => {
                      const { [trade]: _, ...rest } = before.byTrade;
                      return { ...before, byTrade: code ? { ...rest, [trade]: code } : rest };
                    })
                  }
                />
              </label>
            ))}
          </div>
        </>
      )}
      {refused && <Alert type="error" title={refused} className="below" />}
      {mayChange ? (
        <Button type="primary" loading={busy} onClick={store}>
          Save
        </Button>
      ) : (
        <span className="soft">Your role does not change this.</span>
      )}
    </div>
  );
}
