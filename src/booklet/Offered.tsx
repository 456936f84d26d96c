import type { CustomerView } from '@/model/customerView';
import { Effect } from './Effect';
import { Levels } from './Levels';
import { Plans } from './Plans';
import type { Choose } from './Section';
import { Section } from './Section';
import { Sums } from './Sums';
import { Timeline } from './Timeline';
import type { Booklet } from './types';

/** What is offered: levels, sections, plans, what it comes to, when it is paid, and the terms. */
export function Offered({
  data,
  view,
  choose,
  files,
}: {
  readonly data: Booklet;
  readonly view: CustomerView;
  /** Null where nothing can be chosen. */
  readonly choose: Choose | null;
  readonly files: string;
}) {
  const levelsOf = (section: string | null) =>
    view.tiers
      .filter((levels) => levels.section === section)
      .map((levels) => <Levels key={levels.id} tiers={levels} choose={choose} />);
  // Once it is changed, the payments of the agreement stand at its head, and not as they were at first.
  const changed = data.agreement?.changes.some(({ state }) => state === 'signed') ?? false;
  return (
    <>
      {levelsOf(null).map((levels) => (
        <section key={levels.key} className="leaf">
          {levels}
        </section>
      ))}
      {view.sections.map((section) => (
        <Section key={section.id} section={section} shows={view.shows} choose={choose} files={files}>
          {levelsOf(section.id)}
        </Section>
      ))}
      <Plans plans={view.plans} files={files} />
      <Sums view={view} />
      {data.contract && <Effect contract={data.contract} view={view} />}
      {view.payments.length > 0 && !changed && <Timeline payments={view.payments} billing={view.billing} />}
      {view.terms && (
        <section className="leaf">
          <h2>Terms</h2>
          <p className="terms">{view.terms}</p>
        </section>
      )}
    </>
  );
}
