import { showDate } from './dates';

/** What a letter with a statement of account says; amounts as they are shown, with their currency. */
export interface StatementLetter {
  /** Whom it greets. */
  readonly name: string;
  readonly from: string;
  readonly to: string;
  /** What is owed at the end of its days; null: nothing. */
  readonly owed: string | null;
  /** What is to the customer’s credit then; null: nothing. */
  readonly credit: string | null;
  /** Open invoices, in words with their amounts. */
  readonly open: readonly string[];
  /** Our own words, before all else; empty: none. */
  readonly words: string;
  readonly sender: string | null;
  readonly company: string;
  readonly phone: string;
}

/** The letter that goes with a statement of account, in paragraphs set apart by an empty line. */
export function statementLetterText(letter: StatementLetter): string {
  const stands =
    letter.owed !== null
      ? `${letter.owed} is owed on ${showDate(letter.to)}.`
      : letter.credit !== null
        ? `Nothing is owed on ${showDate(letter.to)}; ${letter.credit} is to your credit.`
        : `Nothing is owed on ${showDate(letter.to)}.`;
  return [
    `Good day ${letter.name},`,
    ...(letter.words.trim() ? [letter.words.trim()] : []),
    `Attached is the statement of your account from ${showDate(letter.from)} to ${showDate(letter.to)}. ${stands}`,
    ...(letter.open.length > 0 ? [`Open today:\n${letter.open.join('\n')}`] : []),
    `${letter.sender === null ? '' : `${letter.sender}\n`}${letter.company} · ${letter.phone}`,
  ].join('\n\n');
}

/** The subject of a letter with a statement of account. */
export const statementLetterSubject = (from: string, to: string): string =>
  `Statement of account, ${showDate(from)} to ${showDate(to)}`;
