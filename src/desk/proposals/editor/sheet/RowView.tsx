import { showAmount, ZERO } from '@/core/number';
import { useEditor, useEditorActions } from '../context';
import { BundleRow } from './BundleRow';
import { InputsRow } from './InputsRow';
import { LineDetails } from './LineDetails';
import { LineRow } from './LineRow';
import { PartRow } from './PartRow';
import { AlternativeRow, QuestionRow } from './QuestionRow';
import type { SheetRow } from './rows';
import { SectionRow } from './SectionRow';
import { SpaceRow } from './SpaceRow';
import { backToLine } from './useLineActs';
import type { SheetRows } from './useSheetRows';

/** The head of a group of lines, with what they come to. */
function GroupRow({
  name,
  net,
  across,
}: {
  readonly name: string;
  readonly net: bigint;
  readonly across: number;
}) {
  const { figures } = useEditor();
  return (
    <tr className="row-section">
      <td />
      <td colSpan={3 + across} className="row-group">
        {name === '' ? 'Nothing named' : name}
      </td>
      <td className="amount row-amount">{showAmount(net as typeof ZERO, figures.minorDigits)}</td>
      <td />
    </tr>
  );
}

/** One row of the sheet, of whatever kind. */
export function RowView({
  row,
  sections,
  groups,
  openLibrary,
}: Pick<SheetRows, 'sections' | 'groups'> & {
  readonly row: SheetRow;
  readonly openLibrary: (bundleId: string) => void;
}) {
  const { lines, bundles, view, selected } = useEditor();
  const { toggle, columns } = useEditorActions();
  const across = columns.length;
  switch (row.kind) {
    case 'section':
      return <SectionRow figures={sections.get(row.section.id)!} />;
    case 'space':
      return <SpaceRow figures={sections.get(row.section.id)!} />;
    case 'group':
      return <GroupRow name={row.name} net={groups?.get(row.name) ?? ZERO} across={across} />;
    case 'line':
      return (
        <LineRow
          line={row.line}
          figures={lines.get(row.line.id)!}
          sectionId={row.sectionId}
          sectionTitle={sections.get(row.sectionId)?.section.title}
          inner={row.inner}
          selected={selected.has(row.line.id)}
        />
      );
    case 'details':
      return (
        <tr className="row-details">
          <td />
          <td colSpan={5 + across}>
            <LineDetails
              line={row.line}
              close={() => {
                backToLine(row.line.id);
                toggle(row.line.id);
              }}
            />
          </td>
        </tr>
      );
    case 'question':
      return <QuestionRow question={row.question} />;
    case 'alternative':
      return <AlternativeRow question={row.question} alternative={row.alternative} />;
    case 'bundle':
      return (
        <BundleRow
          figures={bundles.get(row.bundle.id)!}
          sectionId={row.sectionId}
          sectionTitle={sections.get(row.sectionId)?.section.title}
          open={view.opened.has(row.bundle.id)}
          selected={selected.has(row.bundle.id)}
          openLibrary={() => openLibrary(row.bundle.id)}
        />
      );
    case 'inputs':
      return <InputsRow figures={bundles.get(row.bundle.id)!} />;
    case 'part': {
      const of = bundles.get(row.bundle.id)!;
      const part = of.sized.parts[row.index]!;
      const id = part.line?.id;
      return (
        <PartRow
          part={part}
          figures={of.lines.find(({ line }) => line.id === id) ?? null}
          bundleId={row.bundle.id}
        />
      );
    }
    case 'hint':
      return (
        <tr>
          <td />
          <td colSpan={5 + across} className="soft sheet-hint">
            No lines yet. Press / and type, for example: 12 joist
          </td>
        </tr>
      );
  }
}
