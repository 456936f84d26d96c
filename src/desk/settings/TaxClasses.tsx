'use client';

import { Button, Checkbox, Input } from 'antd';
import type { CompanyTaxClass, UsualTerms } from '@/model';
import { DayPicker } from '@/ui/fields/DayPicker';

const LIMITS = { classes: 20, components: 6, later: 12 };
const newKey = () => `t${crypto.randomUUID().slice(0, 8)}`;

type Component = CompanyTaxClass['components'][number];

interface ClassProps {
  readonly taxClass: CompanyTaxClass;
  readonly disabled: boolean;
  /** What new items and lines begin with. */
  readonly first: boolean;
  readonly change: (next: CompanyTaxClass) => void;
  readonly remove: () => void;
}

/** What a tax will be from a day on. */
function LaterRates({
  component,
  disabled,
  change,
}: {
  readonly component: Component;
  readonly disabled: boolean;
  readonly change: (later: Component['later']) => void;
}) {
  const { later = [], name } = component;
  const called = name || 'this tax';
  const put = (next: NonNullable<Component['later']>) => change(next.length > 0 ? next : undefined);
  return (
    <>
      {later.map((each, at) => (
        <div key={at} className="tax-later">
          <span>from</span>
          <DayPicker
            label={`Day from which ${called} changes`}
            value={each.from || null}
            disabled={disabled}
            onChange={(from) => put(later.map((one, i) => (i === at ? { ...one, from: from ?? '' } : one)))}
          />
          <Input
            disabled={disabled}
            aria-label={`Percent of ${called} from then on`}
            inputMode="decimal"
            value={each.percent}
            onChange={({ target }) =>
              put(later.map((one, i) => (i === at ? { ...one, percent: target.value } : one)))
            }
          />
          <span>%</span>
          {!disabled && (
            <Button size="small" type="text" onClick={() => put(later.filter((_, i) => i !== at))}>
              Not after all
            </Button>
          )}
        </div>
      ))}
      {!disabled && later.length < LIMITS.later && (
        <Button
          size="small"
          type="link"
          className="tax-change"
          onClick={() => put([...later, { from: '', percent: '' }])}
        >
          Changes on a day …
        </Button>
      )}
    </>
  );
}

/** What a class is called, and whether it is still offered. */
function ClassHead({ taxClass, disabled, first, change, remove }: ClassProps) {
  return (
    <legend className="tax-class-name">
      <Input
        disabled={disabled}
        aria-label="Name of the tax class"
        value={taxClass.name}
        maxLength={120}
        onChange={({ target }) => change({ ...taxClass, name: target.value })}
      />
      {first ? (
        <span className="soft">what new items and lines begin with</span>
      ) : (
        <>
          <Checkbox
            disabled={disabled}
            checked={taxClass.retired === true}
            onChange={({ target }) => {
              const { retired: _, ...rest } = taxClass;
              change(target.checked ? { ...rest, retired: true } : rest);
            }}
          >
            not offered any more
          </Checkbox>
          <Button size="small" type="text" disabled={disabled} onClick={remove}>
            Remove this class
          </Button>
        </>
      )}
    </legend>
  );
}

/** One class: what it is called, and its parts, each a percentage with the name of who takes it. */
function ClassFields({ taxClass, disabled, first, change, remove }: ClassProps) {
  const { components } = taxClass;
  const put = (at: number, patch: Partial<Component>) =>
    change({
      ...taxClass,
      components: components.map((each, i) => (i === at ? { ...each, ...patch } : each)),
    });
  const putOnTop = (at: number, onTop: boolean) =>
    change({
      ...taxClass,
      components: components.map((each, i) => {
        if (i !== at) return each;
        const { onTop: _, ...rest } = each;
        return onTop ? { ...rest, onTop } : rest;
      }),
    });
  return (
    <fieldset className="tax-class" disabled={disabled}>
      <ClassHead taxClass={taxClass} disabled={disabled} first={first} change={change} remove={remove} />
      {components.length === 0 && <p className="soft">No tax is charged on it.</p>}
      {components.map((component, at) => (
        <div key={component.id} className="tax-part">
          <Input
            disabled={disabled}
            aria-label="Name of the tax"
            placeholder="State sales tax, Marrowby"
            value={component.name}
            maxLength={120}
            onChange={({ target }) => put(at, { name: target.value })}
          />
          <Input
            disabled={disabled}
            aria-label={`Percent of ${component.name || 'this tax'}`}
            inputMode="decimal"
            value={component.percent}
            onChange={({ target }) => put(at, { percent: target.value })}
          />
          <span>%</span>
          {at > 0 && (
            <Checkbox
              disabled={disabled}
              checked={component.onTop === true}
              onChange={({ target }) => putOnTop(at, target.checked)}
            >
              also on the taxes before
            </Checkbox>
          )}
          <Button
            size="small"
            type="text"
            disabled={disabled}
            aria-label={`Remove ${component.name || 'this tax'}`}
            onClick={() => change({ ...taxClass, components: components.filter((_, i) => i !== at) })}
          >
            Remove
          </Button>
          <LaterRates
            component={component}
            disabled={disabled}
            change={(later) => {
              const { later: _, ...rest } = component;
              change({
                ...taxClass,
                components: components.map((each, i) =>
                  i === at ? (later ? { ...rest, later } : rest) : each,
                ),
              });
            }}
          />
        </div>
      ))}
      {!disabled && components.length < LIMITS.components && (
        <Button
          size="small"
          onClick={() =>
            change({ ...taxClass, components: [...components, { id: newKey(), name: '', percent: '' }] })
          }
        >
          Add a tax
        </Button>
      )}
    </fieldset>
  );
}

/** The taxes a proposal from nothing begins with: classes of what is sold, each with the taxes on it. */
export function TaxClasses({
  usual,
  disabled,
  change,
}: {
  readonly usual: UsualTerms;
  readonly disabled: boolean;
  readonly change: (next: UsualTerms) => void;
}) {
  const { taxClasses } = usual;
  const put = (next: readonly CompanyTaxClass[]) => change({ ...usual, taxClasses: [...next] });
  return (
    <>
      {taxClasses.map((taxClass, at) => (
        <ClassFields
          key={taxClass.id}
          taxClass={taxClass}
          disabled={disabled}
          first={at === 0}
          change={(next) => put(taxClasses.map((each, i) => (i === at ? next : each)))}
          remove={() => put(taxClasses.filter((_, i) => i !== at))}
        />
      ))}
      {!disabled && taxClasses.length < LIMITS.classes && (
        <Button onClick={() => put([...taxClasses, { id: newKey(), name: '', components: [] }])}>
          Add a tax class
        </Button>
      )}
      <p className="soft">
        Proposals that are begun take the taxes as they are on that day, and keep them; a draft says when a
        percentage is another one by now, and takes it with a press. What is sent keeps its own. Items of a
        class that is removed are of the first one.
      </p>
    </>
  );
}
