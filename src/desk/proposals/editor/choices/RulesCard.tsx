'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { brokenRules, menuOf } from '@/core/choice';
import { addRule, setRule } from '@/core/editing';
import type { Menu, Picked, Rule } from '@/model';
import { asSuggested } from '@/model';
import { newPartId, useEditor } from '../context';
import { Cell } from '@/ui/live/Cell';

/** Everything a customer can take, as groups of options. */
function picksOf(menu: Menu): { group: string; picks: { pick: Picked; name: string }[] }[] {
  return [
    {
      group: 'Extras',
      picks: menu.extras.map(({ id, name }) => ({ pick: { extra: id }, name })),
    },
    ...menu.questions.map(({ id, name, answers }) => ({
      group: name,
      picks: answers.map((answer) => ({
        pick: { question: id, alternative: answer.id },
        name: answer.name,
      })),
    })),
    ...menu.tiers.map(({ id, name, levels }) => ({
      group: name,
      picks: levels.map((level) => ({ pick: { tiers: id, level: level.id }, name: level.name })),
    })),
  ].filter(({ picks }) => picks.length > 0);
}

/** What one choice means for another, as sentences with gaps to fill. */
export function RulesCard() {
  const { work, readOnly } = useEditor();
  const menu = menuOf(work.document);
  const groups = picksOf(menu);
  const all = groups.flatMap(({ picks }) => picks);
  const broken = new Set(brokenRules(menu, asSuggested).map(({ id }) => id));
  if (all.length < 2) return null;

  const choose = (rule: Rule, field: 'when' | 'other') => (
    <Select
      size="small"
      popupMatchSelectWidth={false}
      aria-label={field === 'when' ? 'The choice that' : 'the other choice'}
      disabled={readOnly}
      value={JSON.stringify(rule[field])}
      onChange={(picked: string) =>
        work.edit((draft) => setRule(draft, rule.id, { [field]: JSON.parse(picked) as Picked }))
      }
      options={[
        ...groups.map(({ group, picks }) => ({
          label: group,
          options: [...picks.map(({ pick, name }) => ({ value: JSON.stringify(pick), label: name }))],
        })),
      ]}
    />
  );

  return (
    <section className="choice-card" aria-label="Rules between choices">
      {menu.rules.map((rule) => (
        <div key={rule.id} className="rule">
          {choose(rule, 'when')}
          <Select
            size="small"
            popupMatchSelectWidth={false}
            aria-label="needs or rules out"
            disabled={readOnly}
            value={rule.says}
            onChange={(picked: string) =>
              work.edit((draft) => setRule(draft, rule.id, { says: picked as Rule['says'] }))
            }
            options={[
              { value: 'needs', label: 'needs' },
              { value: 'rules out', label: 'rules out' },
            ]}
          />
          {choose(rule, 'other')}
          <Cell
            name="rule-reason"
            label="Why"
            shown={rule.reason ?? ''}
            placeholder="because …"
            readOnly={readOnly}
            commit={(text) => work.edit((draft) => setRule(draft, rule.id, { reason: text.trim() }))}
          />
          {!readOnly && (
            <button
              type="button"
              className="grip"
              aria-label="Remove this rule"
              onClick={() => work.edit((draft) => setRule(draft, rule.id, null))}
            >
              ×
            </button>
          )}
          {broken.has(rule.id) && <span className="wrong">broken as suggested</span>}
        </div>
      ))}
      {!readOnly && (
        <Button
          size="small"
          icon={<PlusOutlined />}
          onClick={() =>
            work.edit((draft) =>
              addRule(draft, {
                id: newPartId(),
                when: all[0]!.pick,
                says: 'needs',
                other: all[1]!.pick,
              }),
            )
          }
        >
          One choice needs or rules out another
        </Button>
      )}
    </section>
  );
}
