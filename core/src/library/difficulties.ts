import type { MakeId } from '../job/id.ts';
import type { Difficulty } from '../job/records/difficulty.ts';
import { type Say, asWritten } from './texts.ts';

/** Factors on labor as estimators use them; common practice, each company has its own. */
const USUAL: readonly (readonly [name: string, factor: number])[] = [
  ['Above 10 ft (3 m)', 1.15],
  ['Above 20 ft (6 m)', 1.3],
  ['In slab', 0.9],
  ['In trench', 1.1],
  ['Occupied building', 1.25],
  ['Tight or crowded', 1.2],
];

/** The difficulties a job usually starts with. */
export const usualDifficulties = (makeId: MakeId, say: Say = asWritten): readonly Difficulty[] =>
  USUAL.map(([name, factor], order) => ({
    type: 'difficulty',
    id: makeId('difficulty'),
    name: say(name),
    factor,
    order: order + 1,
  }));
