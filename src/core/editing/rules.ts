import type { Picked, ProposalDocument } from '@/model';

const namesPart = (pick: Picked, gone: ReadonlySet<string>): boolean =>
  'extra' in pick
    ? gone.has(pick.extra)
    : 'question' in pick
      ? gone.has(pick.question) || gone.has(pick.alternative)
      : gone.has(pick.tiers) || gone.has(pick.level);

/** Takes away the rules that speak of parts that are gone. */
export function dropRulesOf(document: ProposalDocument, gone: ReadonlySet<string>): void {
  if (!document.rules?.some(({ when, other }) => namesPart(when, gone) || namesPart(other, gone))) return;
  document.rules = document.rules.filter(
    ({ when, other }) => !namesPart(when, gone) && !namesPart(other, gone),
  );
  if (document.rules.length === 0) delete document.rules;
}
