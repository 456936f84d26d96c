'use client';

import { Button } from 'antd';
import { allowanceInWords } from '@/core/allowance';
import { editRound, newRound, setAllowance } from '@/core/editing';
import { showAmount } from '@/core/number';
import { setAside } from '@/core/price';
import type { Line } from '@/model';
import { unitName } from '@/model';
import { RoundEditor } from '@/desk/rounds/RoundEditor';
import { newPartId, useEditor } from '../context';
import { AllowanceTerms } from './AllowanceTerms';

/** Money set aside: how the difference is settled, what the customer reads, and the rounds in which they choose. */
export function AllowanceCard({
  line,
  sectionTitle,
}: {
  readonly line: Line;
  readonly sectionTitle: string;
}) {
  const { work, lines, figures, readOnly } = useEditor();
  const { allowance } = line;
  const found = lines.get(line.id);
  if (!allowance || !found) return null;
  const digits = figures.minorDigits;
  const { rounds } = allowance;
  const addRound = () => {
    const round = newRound(rounds.length === 0 ? line.description : 'Next round', newPartId);
    work.edit((draft) => setAllowance(draft, line.id, { ...allowance, rounds: [...rounds, round] }));
  };
  return (
    <section className="choice-card" aria-label={`Allowance ${line.description}`}>
      <div className="choice-head">
        <strong className="choice-title">{line.description}</strong>
        <span className="soft">{sectionTitle}</span>
        <span className="amount">{showAmount(found.net, digits)}</span>
      </div>
      <AllowanceTerms line={line} allowance={allowance} />
      <p className="soft allowance-words">
        They read: {allowanceInWords(allowance, setAside(found), digits)}
      </p>
      {rounds.map((round) => (
        <RoundEditor
          key={round.id}
          round={round}
          scale={{ quantity: found.quantity, minorDigits: digits }}
          unit={unitName(line.unit)}
          readOnly={readOnly}
          change={(recipe) => work.edit((draft) => editRound(draft, line.id, round.id, recipe))}
          newId={newPartId}
        />
      ))}
      {!readOnly && (
        <div className="choice-terms">
          <Button size="small" onClick={addRound}>
            Prepare a selection round
          </Button>
          <Button
            size="small"
            type="text"
            onClick={() => work.edit((draft) => setAllowance(draft, line.id, null))}
          >
            No longer an allowance
          </Button>
        </div>
      )}
    </section>
  );
}
