'use client';

import { Alert, Button } from 'antd';
import type { RatesAndCrews } from '@/services/library/rates';
import { CrewCard } from './CrewCard';
import { RatesTable } from './RatesTable';
import { RepricedItems } from './RepricedItems';
import type { RatesActions } from './useRates';
import { useRates } from './useRates';

/** Labor rates and crews: what an hour costs. A change is kept at once and prices the items that name it anew. */
export function RatesPage({
  known,
  readOnly,
  actions,
}: {
  readonly known: RatesAndCrews;
  readonly readOnly: boolean;
  readonly actions: RatesActions;
}) {
  const work = useRates(known, readOnly, actions);
  const { rates, crews, moved, stuck } = work;
  const firstRate = known.rates[0];
  return (
    <div className="page page-reading">
      <header className="page-head">
        <h1>Rates and crews</h1>
        <span className="soft">what an hour costs us; proposals keep what they were priced with</span>
        {work.waiting > 0 && (
          <span className="soft" role="status">
            Saving …
          </span>
        )}
      </header>
      {work.trouble && <Alert type="error" title={work.trouble} className="below" />}
      {stuck > 0 && (
        <Alert
          type="warning"
          title={`${stuck} ${stuck === 1 ? 'change' : 'changes'} got no answer. What you typed is kept.`}
          className="below"
          action={
            <Button size="small" onClick={work.again}>
              Try again
            </Button>
          }
        />
      )}
      {moved && <RepricedItems {...moved} close={work.closeMoved} />}
      <h2>Labor rates</h2>
      <RatesTable rates={rates} readOnly={readOnly} change={work.changeRate} />
      {!readOnly && (
        <Button size="small" onClick={work.addRate}>
          Add a rate
        </Button>
      )}
      <h2>Crews</h2>
      {known.crews.length === 0 && (
        <p className="soft">
          A crew is people of several rates and equipment, priced by the hour they work together. An item then
          says how many hours of the crew one unit takes.
        </p>
      )}
      {crews.map((crew) => (
        <CrewCard
          key={crew.id}
          crew={crew}
          items={crew.items}
          rates={rates}
          readOnly={readOnly}
          change={(patch) => work.changeCrew(crew, patch)}
          remove={() => work.removeCrew(crew.id)}
        />
      ))}
      {!readOnly && firstRate && (
        <Button size="small" onClick={() => work.addCrew(firstRate.id)}>
          Add a crew
        </Button>
      )}
    </div>
  );
}
