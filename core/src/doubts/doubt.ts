import type { DoubtPlace } from './place.ts';
import type { Rule } from './rule.ts';
import { RULES } from './rules.ts';

type AnyRule = (typeof RULES)[number];
type AboutOf<Each> = Each extends Rule<infer Id, infer Facts> ? { readonly rule: Id } & Facts : never;

/** What is asked, with the figures as they were found; the interface puts them into words. */
export type DoubtAbout = AboutOf<AnyRule>;
export type DoubtRule = AnyRule['id'];

export interface Doubt {
  /** The rule and what it is about; the same doubt has the same key tomorrow. */
  readonly key: string;
  /** What is doubted, by its own name. */
  readonly name: string;
  readonly about: DoubtAbout;
  readonly place: DoubtPlace;
}

/** The figures of a doubt: one that was accepted is a doubt again once they change. */
export const factsOfDoubt = ({ about }: Doubt): string => JSON.stringify(about).slice(0, 2000);

/** How urgent a rule is: what is wrong in the bid, what may be, what is only untidy. */
export const RULE_ORDER: readonly DoubtRule[] = RULES.map(({ id }) => id);
