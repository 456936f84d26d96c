import type {
  Change,
  CustomerEntry,
  CustomerPlan,
  CustomerSection,
  CustomerLevels,
  CustomerView,
} from '@/model';
import { unitAfter } from '@/model';
import { isBelowZero, showDecimal } from '../number';
import { billingInWords } from '../text/billingInWords';
import { showDate } from '../text/dates';
import { whenDue } from '../text/whenDue';

export type { Change } from '@/model';

type Item = Exclude<CustomerEntry, { kind: 'question' }>;
type Question = Extract<CustomerEntry, { kind: 'question' }>;
type Note = (what: string, before: string | null, after: string | null) => void;

const nameOf = (entry: CustomerEntry) => (entry.kind === 'question' ? entry.prompt : entry.description);
const money = (text: string | null) => (text === null ? null : showDecimal(text));
const day = (date: string | null) => (date === null ? null : showDate(date));
/** A difference with its sign, as the cards show it. */
const signed = (text: string) => (isBelowZero(text) ? showDecimal(text) : `+${showDecimal(text)}`);

/** The figures of a line or an extra, as far as the customer sees them: "6 each · 12.50 · 75.00". */
function figuresOf(item: Item): string {
  const quantity =
    item.quantity === null ? null : `${showDecimal(item.quantity)} ${unitAfter(item.quantity, item.unit)}`;
  const difference = item.kind === 'extra' ? signed(item.difference) : money(item.amount);
  return (
    [quantity, money(item.unitPrice), difference].filter((part) => part !== null).join(' · ') || 'included'
  );
}

function compareItems(old: Item, now: Item, note: Note): void {
  note(`${old.description}: called`, old.description, now.description);
  note(`${now.description}: wording`, old.detail, now.detail);
  note(`${now.description}: the allowance`, old.allowance, now.allowance);
  note(now.description, figuresOf(old), figuresOf(now));
  const until = (item: Item) => day(item.kind === 'extra' ? item.until : null);
  note(`${now.description}: to decide by`, until(old), until(now));
}

function compareQuestions(old: Question, now: Question, note: Note): void {
  note(`${old.prompt} asked as`, old.prompt, now.prompt);
  note(`${now.prompt}: wording`, old.detail, now.detail);
  note(`${now.prompt}: to decide by`, day(old.until), day(now.until));
  const advice = ({ alternatives, reason }: Question) =>
    [alternatives.find(({ recommended }) => recommended)?.name, reason].filter(Boolean).join(': ') || null;
  note(`${now.prompt}: recommended`, advice(old), advice(now));
  const differenceOf = (each: Question['alternatives'][number] | null) =>
    each && (each.picked ? 'included' : signed(each.difference));
  for (const [before, after] of paired(old.alternatives, now.alternatives)) {
    const name = `${now.prompt} ${(after ?? before)!.name}`;
    note(name, differenceOf(before), differenceOf(after));
    if (before && after) note(`${name}: wording`, before.detail, after.detail);
  }
}

/** Levels: what each comes to, what is in it, and what we say of them. */
function compareLevels(old: CustomerLevels | null, now: CustomerLevels | null, note: Note): void {
  const { prompt } = (now ?? old)!;
  if (!old || !now) {
    const names = (tiers: CustomerLevels | null) =>
      tiers && tiers.levels.map(({ name }) => name).join(' or ');
    note(prompt, names(old), names(now));
    return;
  }
  note(`${prompt} asked as`, old.prompt, now.prompt);
  note(`${prompt}: wording`, old.detail, now.detail);
  note(`${prompt}: to decide by`, day(old.until), day(now.until));
  const contents = (tiers: CustomerLevels, id: string) => {
    const at = tiers.levels.findIndex((level) => level.id === id);
    return tiers.rows.map(({ name, cells }) => `${name}: ${cells[at] ?? 'not in'}`).join(', ');
  };
  for (const [before, after] of paired(old.levels, now.levels)) {
    const name = `${prompt} ${(after ?? before)!.name}`;
    note(name, before && money(before.total), after && money(after.total));
    if (!before || !after) continue;
    note(`${name}: wording`, before.detail, after.detail);
    note(`${name}: what is in it`, contents(old, before.id), contents(now, after.id));
  }
}

const choiceInWords = (choice: CustomerSection['choice']) =>
  choice && (choice.in ? `in, ${money(choice.difference)}` : signed(choice.difference));

function mapById<T extends { readonly id: string }>(rows: readonly T[]): Map<string, T> {
  return new Map(rows.map((row) => [row.id, row]));
}

/** Pairs rows of two lists by id, in the order of the newer list, those that are gone last. */
function paired<T extends { readonly id: string }>(
  before: readonly T[],
  after: readonly T[],
): [T | null, T | null][] {
  const old = mapById(before);
  const kept = mapById(after);
  return [
    ...after.map((row): [T | null, T | null] => [old.get(row.id) ?? null, row]),
    ...before.filter((row) => !kept.has(row.id)).map((row): [T | null, T | null] => [row, null]),
  ];
}

const shownAs = (entry: CustomerEntry) =>
  entry.kind === 'question' ? entry.alternatives.map(({ name }) => name).join(' or ') : figuresOf(entry);

const planInWords = ({ name, marks }: CustomerPlan): string =>
  marks.map(({ label, quantity }) => [label, quantity].filter(Boolean).join(' ')).join(', ') || name;

/**
 * What changed from one state of an offer to another, in the words and figures the customer sees in each; empty when
 * they read the same.
 */
export function compareViews(before: CustomerView, after: CustomerView): Change[] {
  const changes: Change[] = [];
  const note = (what: string, old: string | null, now: string | null) => {
    if (old !== now) changes.push({ what, before: old, after: now });
  };

  note('Total', money(before.total), money(after.total));
  note('Title', before.title, after.title);
  for (const [old, now] of paired(before.tiers, after.tiers)) compareLevels(old, now, note);
  for (const [old, now] of paired(before.sections, after.sections)) {
    const title = (now ?? old)!.title;
    if (!old || !now) {
      note(title, old && (money(old.amount) ?? 'included'), now && (money(now.amount) ?? 'included'));
      continue;
    }
    note(`${title}: wording`, old.text, now.text);
    note(`${title}, all of it`, choiceInWords(old.choice), choiceInWords(now.choice));
    note(title, money(old.amount), money(now.amount));
    for (const [before, after] of paired(old.entries, now.entries))
      if (!before || !after)
        note(nameOf((after ?? before)!), before && shownAs(before), after && shownAs(after));
      else if (before.kind === 'question' && after.kind === 'question') compareQuestions(before, after, note);
      else if (before.kind !== 'question' && after.kind !== 'question') compareItems(before, after, note);
  }
  for (const [old, now] of paired(before.plans, after.plans))
    note(`Plan ${(now ?? old)!.name}`, old && planInWords(old), now && planInWords(now));
  note('Discount', money(before.discount), money(after.discount));
  for (const [old, now] of paired(before.fees, after.fees))
    note((now ?? old)!.name, money(old?.amount ?? null), money(now?.amount ?? null));
  note('Tax', money(before.taxTotal), money(after.taxTotal));
  for (const [old, now] of paired(before.payments, after.payments)) {
    if (old && now)
      note(`Payment: ${now.name}, due`, whenDue(old.due, old.planned), whenDue(now.due, now.planned));
    note(`Payment: ${(now ?? old)!.name}`, money(old?.amount ?? null), money(now?.amount ?? null));
  }
  const billing = (view: CustomerView) => billingInWords(view.billing).join(' ') || null;
  note('How it is billed', billing(before), billing(after));
  note('Terms', before.terms, after.terms);
  note('Cover note', before.coverNote, after.coverNote);
  note('Prices hold until', day(before.validUntil), day(after.validUntil));
  return changes;
}
