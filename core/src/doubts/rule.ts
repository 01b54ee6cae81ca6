import type { DoubtContext } from './context.ts';
import type { Subject } from './subjects.ts';
import type { DoubtPlace } from './place.ts';

/** One thing that a rule asks about. */
export interface Found<Facts extends object> {
  /** What it is about, the same tomorrow. */
  readonly of: string;
  /** What is doubted, by its own name. */
  readonly name: string;
  readonly place: DoubtPlace;
  /** Figures as they were found; the interface puts them into words. */
  readonly facts: Facts;
}

/** Something a careful colleague would ask about before the bid goes out. */
export interface Rule<Id extends string, Facts extends object> {
  readonly id: Id;
  /** What it asks about. */
  readonly asksOf: Subject;
  readonly find: (context: DoubtContext) => readonly Found<Facts>[];
}

export const defineRule = <Id extends string, Facts extends object>(
  id: Id,
  asksOf: Subject,
  find: (context: DoubtContext) => readonly Found<Facts>[],
): Rule<Id, Facts> => ({ id, asksOf, find });

export type NoFacts = Readonly<Record<never, never>>;
