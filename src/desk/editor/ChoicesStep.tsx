'use client';

import { Checkbox } from 'antd';
import { findLine, setBundle } from '@/core/editing';
import { showDifference } from '@/core/number';
import { ExtraTerms } from './sheet/LineDetails';
import { useEditor } from './context';

/** Everything the customer decides, in one place, each with the difference it makes. */
export function ChoicesStep() {
  const { work, figures, bundles, differences, readOnly } = useEditor();
  const questions = work.document.sections.flatMap((section) =>
    section.entries.flatMap((entry) => (entry.kind === 'question' ? [{ section, question: entry }] : [])),
  );
  if (questions.length === 0 && differences.extras.length === 0)
    return (
      <div className="step">
        <p className="empty">
          The customer has nothing to decide yet. On a line, Alt X makes it an extra; Alt Q lets the customer
          pick one of several.
        </p>
      </div>
    );
  return (
    <div className="step">
      {questions.length > 0 && <h2>Questions</h2>}
      {questions.map(({ section, question }) => (
        <section key={question.id} className="choice-card">
          <div className="soft">{section.title}</div>
          <h3>{question.prompt}</h3>
          <table className="table-plain">
            <tbody>
              {differences.alternatives
                .filter(({ questionId }) => questionId === question.id)
                .map((found) => (
                  <tr key={found.alternativeId}>
                    <td>{question.alternatives.find(({ id }) => id === found.alternativeId)?.name}</td>
                    <td className="soft">{question.suggested === found.alternativeId ? 'suggested' : ''}</td>
                    <td className="amount">
                      {found.picked ? 'included' : showDifference(found.difference, figures.minorDigits)}
                    </td>
                  </tr>
                ))}
            </tbody>
          </table>
        </section>
      ))}
      {differences.extras.length > 0 && <h2>Extras</h2>}
      {differences.extras.map((extra) => {
        const line = findLine(work.document, extra.lineId)?.line;
        const bundle = bundles.get(extra.lineId);
        if (bundle)
          return (
            <section key={extra.lineId} className="choice-card">
              <h3>
                {bundle.sized.name}{' '}
                <span className="amount">{showDifference(extra.difference, figures.minorDigits)}</span>
              </h3>
              <Checkbox
                disabled={readOnly}
                checked={bundle.bundle.extra?.in === true}
                onChange={({ target }) =>
                  work.edit((draft) => setBundle(draft, extra.lineId, { extra: { in: target.checked } }))
                }
              >
                In unless the customer leaves it out
              </Checkbox>
            </section>
          );
        return line ? (
          <section key={extra.lineId} className="choice-card">
            <h3>
              {line.description}{' '}
              <span className="amount">{showDifference(extra.difference, figures.minorDigits)}</span>
            </h3>
            <ExtraTerms line={line} />
          </section>
        ) : null;
      })}
    </div>
  );
}
