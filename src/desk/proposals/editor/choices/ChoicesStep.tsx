'use client';

import { Select } from 'antd';
import type { ProposalAtDesk } from '@/services/proposals/read';
import { linesOf, questionsOf } from '@/core/choice';
import { addLevels, addOffers } from '@/core/editing';
import { newPartId, useEditor } from '../context';
import { AllowanceCard } from './AllowanceCard';
import { ExtrasCard } from './ExtrasCard';
import { LevelsCard } from './LevelsCard';
import { PicksCard } from './PicksCard';
import { QuestionCard } from './QuestionCard';
import { RulesCard } from './RulesCard';
import './choices.css';

/** Everything the customer decides, in one place, each with the difference it makes. */
export function ChoicesStep({ proposal, timeZone }: { proposal: ProposalAtDesk; timeZone: string }) {
  const { work, readOnly } = useEditor();
  const { document } = work;
  const tiers = document.tiers ?? [];
  const questions = document.sections.flatMap((section) =>
    [...questionsOf(section)].map((question) => ({ section, question })),
  );
  const allowances = document.sections.flatMap((section) =>
    [...linesOf(section)].flatMap((line) => (line.allowance ? [{ line, section }] : [])),
  );
  const hasExtras = document.sections.some(
    (section) =>
      section.extra !== undefined ||
      section.entries.some((entry) =>
        entry.kind === 'question'
          ? entry.alternatives.some(({ lines }) => lines.some(({ extra }) => extra))
          : entry.extra,
      ),
  );
  const free = document.sections.filter(({ id }) => !tiers.some(({ section }) => section === id));
  const wholeIsFree = !tiers.some(({ section }) => section === undefined);
  return (
    <div className="step">
      <PicksCard proposal={proposal} timeZone={timeZone} />
      <div className="choices-head">
        <h2>Levels</h2>
        {!readOnly && document.sections.length > 0 && (wholeIsFree || free.length > 0) && (
          <Select
            size="small"
            popupMatchSelectWidth={false}
            aria-label="Offer levels"
            value=""
            onChange={(picked: string) =>
              work.edit((draft) => {
                if (picked === 'offers') addOffers(draft, newPartId);
                else addLevels(draft, picked === 'whole' ? null : picked, newPartId);
              })
            }
            options={[
              { value: '', label: 'offer levels of …' },
              ...(wholeIsFree
                ? [
                    { value: 'whole', label: 'the whole proposal' },
                    { value: 'offers', label: 'whole offers, A and B' },
                  ]
                : []),
              ...free.map(({ id, title }) => ({ value: id, label: title })),
            ]}
          />
        )}
      </div>
      {tiers.length === 0 && (
        <p className="soft">
          Two to four levels of the same work, by the grades of its bundles and by what is in; or whole
          offers, A, B and C, each of its own sections and those they share.
        </p>
      )}
      {tiers.map((each) => (
        <LevelsCard key={each.id} tiers={each} />
      ))}
      <h2>Questions</h2>
      {questions.length === 0 && (
        <p className="soft">On a line of the sheet, Alt Q lets the customer pick one of several.</p>
      )}
      {questions.map(({ section, question }) => (
        <QuestionCard key={question.id} question={question} sectionTitle={section.title} />
      ))}
      <h2>Extras</h2>
      {!hasExtras && (
        <p className="soft">
          On a line, a bundle or a section of the sheet, Alt X lets the customer leave it out or take it in.
        </p>
      )}
      <ExtrasCard />
      <h2>Allowances</h2>
      {allowances.length === 0 && (
        <p className="soft">
          For what is not chosen yet: on a line of the sheet, Alt A sets money aside, with a rule for the
          difference.
        </p>
      )}
      {allowances.map(({ line, section }) => (
        <AllowanceCard key={line.id} line={line} sectionTitle={section.title} />
      ))}
      <h2>What one choice means for another</h2>
      <RulesCard />
    </div>
  );
}
