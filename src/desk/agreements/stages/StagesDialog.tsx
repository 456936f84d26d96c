'use client';

import { App, AutoComplete, Modal } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { AgreementAtDesk } from '@/services/agreements/read';
import type { LineStageInput } from '@/services/agreements/stages';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';
import { PlainTable } from '@/ui/tables/PlainTable';

type Line = AgreementAtDesk['lines'][number];

/** Puts agreed work into stages, a section at a time or line by line. A new name is a new stage. */
export function StagesDialog({
  agreement,
  put,
  close,
}: {
  agreement: AgreementAtDesk;
  put: (input: LineStageInput) => Promise<Answer<void>>;
  close: () => void;
}) {
  const router = useRouter();
  const { message } = App.useApp();
  const [wanted, setWanted] = useState<Readonly<Record<string, string>>>({});
  const [busy, setBusy] = useState(false);
  const of = (line: Line) => wanted[line.id] ?? line.stage ?? '';
  const sections = [...new Set(agreement.lines.map(({ section }) => section))];
  const names = [
    ...new Set([...agreement.stages.map(({ name }) => name), ...Object.values(wanted).filter(Boolean)]),
  ];
  const save = async () => {
    setBusy(true);
    const changed = agreement.lines.filter((line) => of(line).trim() !== (line.stage ?? ''));
    for (const stage of new Set(changed.map((line) => of(line).trim()))) {
      const answer = await asked(
        put({
          agreementId: agreement.id,
          lineIds: changed.filter((line) => of(line).trim() === stage).map(({ id }) => id),
          stage: stage === '' ? null : stage,
        }),
      );
      if (!answer.ok) {
        setBusy(false);
        message.error(answer.problem.detail);
        return;
      }
    }
    router.refresh();
    close();
  };
  const field = (label: string, value: string, lines: readonly Line[]) => (
    <AutoComplete
      size="small"
      className="wide-choice"
      aria-label={label}
      value={value}
      placeholder="no stage"
      options={names.map((name) => ({ value: name }))}
      onChange={(name: string) =>
        setWanted({ ...wanted, ...Object.fromEntries(lines.map(({ id }) => [id, name ?? ''])) })
      }
    />
  );
  return (
    <Modal
      open
      width={720}
      title="Which work is in which stage"
      okText="Save"
      cancelText="Cancel"
      confirmLoading={busy}
      onOk={save}
      onCancel={close}
    >
      <div className="scrolls-down">
        <PlainTable
          label="Work by stage"
          headless
          rows={sections.flatMap((section) => {
            const lines = agreement.lines.filter((line) => line.section === section);
            return [
              { section, line: null, lines },
              ...lines.map((line) => ({ section, line, lines: [line] })),
            ];
          })}
          rowKey={({ section, line }) => line?.id ?? `all of ${section}`}
          rowClass={({ line }) => (line === null ? 'plain-group' : '')}
          columns={[
            { key: 'work', title: 'Work', cell: ({ section, line }) => line?.description ?? section },
            {
              key: 'stage',
              title: 'Stage',
              figure: true,
              cell: ({ section, line, lines }) => {
                const all = new Set(lines.map(of));
                return field(
                  `Stage of ${line?.description ?? section}`,
                  all.size === 1 ? [...all][0]! : '',
                  lines,
                );
              },
            },
          ]}
        />
      </div>
    </Modal>
  );
}
