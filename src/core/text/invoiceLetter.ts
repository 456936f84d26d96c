import type { LateTerms } from '@/model/money';
import { lateInWords } from './billingInWords';
import { showDate } from './dates';

/** What a letter with an invoice says; amounts as they are shown, with their currency. */
export interface InvoiceLetter {
  /** Whom it greets. */
  readonly name: string;
  readonly label: string;
  readonly title: string;
  readonly issuedOn: string;
  readonly dueOn: string;
  readonly today: string;
  readonly total: string;
  /** What is open of it, where that is less than the whole. */
  readonly open: string | null;
  readonly currency: string;
  /** Our own words, before all else; empty: none. */
  readonly words: string;
  /** What is owed beside it by today because it is late. */
  readonly late: string | null;
  readonly lateTerms: LateTerms | null;
  /** What goes with it, by name; nothing: it goes alone. */
  readonly attached?: readonly string[];
  /** The address of the private link, or what stands in its place. */
  readonly link: string;
  /** Who sends it; null: the company by itself. */
  readonly sender: string | null;
  readonly company: string;
  readonly phone: string;
}

/**
 * The letter that goes with an invoice, or reminds of it, in paragraphs set apart by an empty line: what it is for, what it
 * comes to and what of it is open, by when, what paying late costs, and where to read and pay it.
 */
export function invoiceLetterText(letter: InvoiceLetter): string {
  const partly = letter.open === null ? '' : `, of which ${letter.open} is open`;
  return [
    `Good day ${letter.name},`,
    ...(letter.words.trim() ? [letter.words.trim()] : []),
    `Invoice ${letter.label} of ${showDate(letter.issuedOn)} for “${letter.title}” comes to ${letter.total}${partly}. It ${
      letter.dueOn < letter.today ? 'was' : 'is'
    } due on ${showDate(letter.dueOn)}.`,
    ...(letter.late !== null
      ? [`Because it is late, ${letter.late} is owed beside it by today.`]
      : letter.lateTerms
        ? [lateInWords(letter.lateTerms, letter.currency)]
        : []),
    `Read it and pay here:\n${letter.link}`,
    ...(letter.attached && letter.attached.length > 0 ? [`Attached: ${letter.attached.join(', ')}.`] : []),
    `${letter.sender === null ? '' : `${letter.sender}\n`}${letter.company} · ${letter.phone}`,
  ].join('\n\n');
}

/** The subject of a letter with an invoice. */
export const invoiceLetterSubject = (label: string, job: string): string => `Invoice ${label}: ${job}`;
