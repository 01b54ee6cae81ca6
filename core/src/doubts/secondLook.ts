import type { Figures } from '../calculate/figures.ts';
import type { Acceptance } from '../job/records/acceptance.ts';
import { type DoubtContext, createContext } from './context.ts';
import { type Doubt, RULE_ORDER, factsOfDoubt } from './doubt.ts';
import { RULES } from './rules.ts';
import { SUBJECTS, type Subject, subjectsOf } from './subjects.ts';

export interface SecondLook {
  /** Still to be answered, the most urgent first. */
  readonly open: readonly Doubt[];
  /** What there was none of, so that nothing could be asked about it. */
  readonly notThere: readonly Subject[];
  readonly accepted: readonly { readonly doubt: Doubt; readonly acceptance: Acceptance }[];
}

/** Everything a careful colleague would ask before the bid goes out. */
export function takeSecondLook(figures: Figures, today: string): SecondLook {
  const context = createContext(figures, today);
  const doubts = findAll(context).sort(
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
  const there = subjectsOf(context);
  return { open, accepted, notThere: SUBJECTS.filter((subject) => !there.has(subject)) };
}

const findAll = (context: DoubtContext): Doubt[] =>
  RULES.flatMap(({ id, find }) =>
    find(context).map(({ of, name, place, facts }) => ({
      key: `${id}|${of}`,
      name,
      place,
      about: { rule: id, ...facts } as Doubt['about'],
    })),
  );
