import type { Choices, ProposalDocument } from '@/model';
import { brokenRules, differences, menuOf, ruleInWords } from '../choice';
import { minorDigits, writeAmount, writeFixed } from '../number';
import type { End, Range } from '../range';
import { rangeOf } from '../range';

/**
 * What can be decided about a proposal as plain JSON, each with its difference: the total with it less the total now (an
 * extra that is in: less the total without it). What is not on offer under the choices is left out.
 */
export function choicesReport(document: ProposalDocument, choices: Choices) {
  const menu = menuOf(document);
  const digits = minorDigits(document.currency);
  const found = differences(document, choices);
  const broken = new Set(brokenRules(menu, choices).map(({ id }) => id));
  return {
    extras: found.extras.map(({ lineId, in: isIn, difference }) => ({
      id: lineId,
      name: menu.extras.find(({ id }) => id === lineId)!.name,
      in: isIn,
      difference: writeAmount(difference, digits),
    })),
    questions: menu.questions
      .map(({ id, name, answers, until }) => ({
        id,
        name,
        ...(until ? { until } : {}),
        answers: found.alternatives
          .filter(({ questionId }) => questionId === id)
          .map(({ alternativeId, picked, difference }) => ({
            id: alternativeId,
            name: answers.find((answer) => answer.id === alternativeId)!.name,
            picked,
            difference: writeAmount(difference, digits),
          })),
      }))
      .filter(({ answers }) => answers.length > 0),
    tiers: menu.tiers.map(({ id, name, levels }) => ({
      id,
      name,
      levels: found.levels
        .filter(({ levelsId }) => levelsId === id)
        .map(({ levelId, picked, difference }) => ({
          id: levelId,
          name: levels.find((level) => level.id === levelId)!.name,
          picked,
          difference: writeAmount(difference, digits),
        })),
    })),
    rules: menu.rules.map((rule) => ({
      id: rule.id,
      says: ruleInWords(rule, menu),
      broken: broken.has(rule.id),
    })),
  };
}

/** The range over all choices as plain JSON. */
export function rangeReport(document: ProposalDocument, range: Range = rangeOf(document)) {
  const digits = minorDigits(document.currency);
  const end = (found: End | null) =>
    found && {
      total: writeAmount(found.total, digits),
      profit: writeAmount(found.profit, digits),
      margin: found.margin === null ? null : writeFixed(found.margin),
      choices: found.choices,
    };
  return {
    lowest: end(range.lowest),
    highest: end(range.highest),
    lowestMargin: end(range.lowestMargin),
    highestMargin: end(range.highestMargin),
    exact: range.exact,
  };
}
