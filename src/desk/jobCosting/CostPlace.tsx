import { Select } from 'antd';
import type { Job } from '@/services/jobCosting/jobReport';
import type { CostInput } from '@/model';

/** What a cost is against, from what was chosen: a stage, a line, a cost code, or the whole job. */
export function placeOf(chosen: string): Pick<CostInput, 'stage' | 'lineId' | 'costCode'> {
  const at = chosen.indexOf(':');
  const id = chosen.slice(at + 1);
  switch (chosen.slice(0, Math.max(0, at))) {
    case 'stage':
      return { stage: id };
    case 'line':
      return { lineId: id };
    case 'code':
      return { costCode: id };
    default:
      return {};
  }
}

/** Chooses what a cost is against. */
export function CostPlace({
  job,
  value,
  onChange,
}: {
  readonly job: Job;
  readonly value: string;
  readonly onChange: (chosen: string) => void;
}) {
  const { stages, lines, codes } = job.choices;
  return (
    <Select
      aria-label="Against"
      className="wide-choice"
      showSearch={{ optionFilterProp: 'label' }}
      value={value}
      onChange={onChange}
      options={[
        { value: '', label: 'the whole job' },
        { label: 'Stages', options: stages.map((name) => ({ value: `stage:${name}`, label: name })) },
        {
          label: 'Lines',
          options: lines.map(({ id, description }) => ({ value: `line:${id}`, label: description })),
        },
        { label: 'Cost codes', options: codes.map((code) => ({ value: `code:${code}`, label: code })) },
      ]}
    />
  );
}
