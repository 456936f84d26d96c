import { Checkbox } from 'antd';
import type { ProgressBilling } from '@/services/billing/progressBilling';
import type { AttachInput } from '@/model';

/** The most photos that go with one letter. */
const MOST = 20;

/** What goes with the letter, by name, as the letter says it. */
export function attachedNames(
  { photos }: Pick<ProgressBilling, 'photos'>,
  label: string,
  { invoice, statement, waiver, photos: chosen = [] }: AttachInput,
): string[] {
  return [
    ...(invoice ? [`invoice ${label}.pdf`] : []),
    ...(statement ? ['progress statement.pdf'] : []),
    ...(waiver ? ['waiver.pdf'] : []),
    ...chosen.flatMap((id) => {
      const photo = photos.find((each) => each.id === id);
      return photo ? [`photo “${photo.name}”`] : [];
    }),
  ];
}

/** What goes with the letter of an invoice: its papers, a waiver, photos of the stages. */
export function AttachFields({
  work,
  attach,
  change,
}: {
  readonly work: Pick<ProgressBilling, 'photos' | 'hasWaiver'>;
  readonly attach: AttachInput;
  readonly change: (attach: AttachInput) => void;
}) {
  const { photos: chosen = [] } = attach;
  const paper = (key: 'invoice' | 'statement' | 'waiver', words: string) => (
    <Checkbox
      checked={attach[key] ?? false}
      onChange={({ target }) => change({ ...attach, [key]: target.checked })}
    >
      {words}
    </Checkbox>
  );
  return (
    <fieldset className="attach">
      <legend>Goes with it</legend>
      <div className="attach-papers">
        {paper('invoice', 'Invoice as PDF')}
        {paper('statement', 'Progress statement')}
        {work.hasWaiver && paper('waiver', 'Waiver')}
      </div>
      {work.photos.length > 0 && (
        <div className="attach-photos" role="group" aria-label="Photos of the stages" tabIndex={0}>
          {work.photos.map(({ id, stage, fileId, name }) => (
            <Checkbox
              key={id}
              checked={chosen.includes(id)}
              disabled={!chosen.includes(id) && chosen.length >= MOST}
              onChange={({ target }) =>
                change({
                  ...attach,
                  photos: target.checked ? [...chosen, id] : chosen.filter((each) => each !== id),
                })
              }
            >
              {/* eslint-disable-next-line @next/next/no-img-element -- small already, and served by us */}
              <img src={`/api/v1/files/${fileId}?small`} alt="" loading="lazy" />
              {stage}: {name}
            </Checkbox>
          ))}
        </div>
      )}
      {chosen.length >= MOST && <p className="soft">{MOST} photos go with one letter.</p>}
    </fieldset>
  );
}
