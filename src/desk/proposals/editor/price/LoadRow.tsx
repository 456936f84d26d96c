import { Select } from 'antd';
import { setLoad } from '@/core/editing';
import type { Amount } from '@/core/number';
import { showAmount } from '@/core/number';
import { readPercent } from '@/core/quantity';
import { costTypeName } from '@/core/text/names';
import type { CostType, Load } from '@/model';
import { costTypes } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { useEditor } from '../context';

const bases: Record<Load['base'], string> = {
  direct: '% of direct cost',
  running: '% of running amount',
  price: '% of the price',
};
const kinds: Load['kind'][] = ['overhead', 'profit', 'bond', 'contingency'];

/** On which costs a markup is taken: all, one type, or the several it has. */
function costChoices({ costTypes: own }: Load) {
  return [
    { value: '', label: 'all costs' },
    ...costTypes.map((type) => ({ value: type as string, label: `${costTypeName(type)} only` })),
    ...(own && own.length > 1 ? [{ value: own.join(), label: own.map(costTypeName).join(' and ') }] : []),
  ];
}

/** One markup: what it is called and is, its percent, of what, and what it comes to. */
export function LoadRow({ load }: { readonly load: Load }) {
  const { work, figures, readOnly } = useEditor();
  const change = (next: Partial<Load> | null) => work.edit((draft) => setLoad(draft, load.id, next));
  const amount = figures.loads.find((each) => each.load.id === load.id)?.amount ?? (0n as Amount);
  return (
    <tr>
      <td>
        <Cell
          name="load-name"
          label="Markup"
          shown={load.name}
          readOnly={readOnly}
          commit={(text) => text.trim() && change({ name: text.trim().slice(0, 200) })}
        />
      </td>
      <td>
        <Select<Load['kind']>
          size="small"
          popupMatchSelectWidth={false}
          aria-label={`${load.name}: what it is`}
          disabled={readOnly}
          value={load.kind}
          onChange={(kind) => change({ kind })}
          options={kinds.map((kind) => ({ value: kind, label: kind }))}
        />
      </td>
      <td className="cell-narrow">
        <Cell
          name="percent"
          label={`${load.name}, percent`}
          align="right"
          shown={load.percent}
          readOnly={readOnly}
          commit={(text) => change({ percent: readPercent(text, load.base === 'price' ? 99 : 999) })}
        />
      </td>
      <td>
        <div className="load-base">
          <Select
            size="small"
            popupMatchSelectWidth={false}
            aria-label={`${load.name}: percent of`}
            disabled={readOnly}
            value={load.base as string}
            onChange={(base) => change({ base: base as Load['base'] })}
            options={Object.entries(bases).map(([value, label]) => ({ value, label }))}
          />
          <Select
            size="small"
            popupMatchSelectWidth={false}
            aria-label={`${load.name}: on which costs`}
            disabled={readOnly}
            value={load.costTypes?.join() ?? ''}
            onChange={(picked: string) =>
              change({ costTypes: picked === '' ? [] : (picked.split(',') as CostType[]) })
            }
            options={costChoices(load)}
          />
        </div>
      </td>
      <td className="amount">{showAmount(amount, figures.minorDigits)}</td>
      <td className="row-more">
        {!readOnly && (
          <button
            type="button"
            className="grip grip-on"
            aria-label={`Remove ${load.name}`}
            onClick={() => change(null)}
          >
            ×
          </button>
        )}
      </td>
    </tr>
  );
}
