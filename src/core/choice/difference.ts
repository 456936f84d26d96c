import type { Choices, ProposalDocument } from '@/model';
import { computeFigures } from '../price';
import type { Differences } from './differencesBy';
import { differencesBy } from './differencesBy';
import { menuOf } from './menu';

/** What each decision would change. */
export const differences = (document: ProposalDocument, choices: Choices): Differences =>
  differencesBy(menuOf(document), choices, (other) => computeFigures(document, other).total);
