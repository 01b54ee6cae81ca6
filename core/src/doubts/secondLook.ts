import type { Figures } from '../calculate/figures.ts';
import type { Acceptance } from '../job/records/acceptance.ts';
import { alternatesThatDouble } from './alternates.ts';
import { type DoubtContext, createContext } from './context.ts';
import { type Doubt, RULE_ORDER, factsOfDoubt } from './doubt.ts';
import { wrongFormulas } from './formulas.ts';
import {
  linesThatFail,
  oldPrices,
  pinnedFar,
  unconfirmedQuantities,
  untidyLines,
  zeroQuantities,
} from './lines.ts';
import { openingsBeyondWalls } from './openings.ts';
import { marksOverlap } from './overlaps.ts';
import { expiredQuotes, openQuotes, quotesBesideLines } from './quotes.ts';
import { scopesPricedNowhere, scopesWithoutMarks } from './scopes.ts';
import { sheetsWithoutScale } from './sheets.ts';
import { yardsticksOut } from './yardsticks.ts';

type Rule = (context: DoubtContext) => readonly Doubt[];

const RULES: readonly Rule[] = [
  sheetsWithoutScale,
  scopesWithoutMarks,
  scopesPricedNowhere,
  marksOverlap,
  openingsBeyondWalls,
  wrongFormulas,
  linesThatFail,
  zeroQuantities,
  unconfirmedQuantities,
  pinnedFar,
  oldPrices,
  untidyLines,
  expiredQuotes,
  openQuotes,
  quotesBesideLines,
  yardsticksOut,
  alternatesThatDouble,
];

export interface SecondLook {
  /** Still to be answered, the most urgent first. */
  readonly open: readonly Doubt[];
  readonly accepted: readonly { readonly doubt: Doubt; readonly acceptance: Acceptance }[];
}

/** Everything a careful colleague would ask before the bid goes out. */
export function takeSecondLook(figures: Figures, today: string): SecondLook {
  const context = createContext(figures, today);
  const doubts = RULES.flatMap((rule) => rule(context)).sort(
    (a, b) =>
      RULE_ORDER.indexOf(a.about.rule) - RULE_ORDER.indexOf(b.about.rule) ||
      (a.name < b.name ? -1 : a.name > b.name ? 1 : 0),
  );
  const given = new Map([...figures.job.acceptance.values()].map((each) => [each.doubt, each]));
  const open: Doubt[] = [];
  const accepted: { doubt: Doubt; acceptance: Acceptance }[] = [];
  for (const doubt of doubts) {
    const acceptance = given.get(doubt.key);
    // Other figures than those that were accepted: it is a doubt again.
    if (acceptance === undefined || acceptance.facts !== factsOfDoubt(doubt)) open.push(doubt);
    else accepted.push({ doubt, acceptance });
  }
  return { open, accepted };
}
