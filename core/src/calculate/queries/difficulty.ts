import { compileFormula } from '../../formula/compile.ts';
import { EMPTY_NAMES } from '../../formula/checkDimensions.ts';
import { marksOfScope, piecesOfScope, recordsOf } from '../../job/belongs.ts';
import type { Id } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import { leadingMeasure } from '../../job/markKinds.ts';
import { group, query } from '../../job/query.ts';
import type { PieceRecord } from '../../job/records/piece.ts';
import type { Use } from '../../job/records/use.ts';
import { scaleOfMark } from '../../job/scaleAt.ts';
import { difficultyOfSettings } from '../../job/settings.ts';
import { measurerOf } from '../../takeoff/measureMark.ts';
import { isNumber } from '../../units/dimension.ts';
import { findUnit } from '../../units/unit.ts';
import { formOfMark } from './marks.ts';

type Difficulties = readonly Id<'difficulty'>[];
const NONE: Difficulties = [];

const ofScope = query((job, scopeId) => job.scope.get(scopeId as Id<'scope'>)?.difficulty ?? NONE);
const ofZone = query((job, zoneId) => job.zone.get(zoneId as Id<'zone'>)?.difficulty ?? NONE);
const factorOf = query((job, id): number => job.difficulty.get(id as Id<'difficulty'>)?.factor ?? 1);
const hardZones = group('zone', ({ difficulty = [] }) => (difficulty.length > 0 ? [''] : []));

/** Factors multiplied, each difficulty once however often it is said: of the job, of a zone and of a scope. */
const productOf = (job: Job, ids: Iterable<Id<'difficulty'>>): number =>
  [...new Set(ids)].reduce((product, id) => product * factorOf(job, id), 1);

const ofJob = (job: Job): Difficulties => difficultyOfSettings(job) ?? NONE;

/** What the hours of every line are taken times. */
export const difficultyOfJob = query((job): number => productOf(job, ofJob(job)));

/** What is typed as a plain figure, SI; a formula over other names has no share of its own. */
function figureOf({ text, unit }: PieceRecord): number {
  const formula = compileFormula(text, EMPTY_NAMES);
  if (!formula.ok) return 0;
  const value = formula.value.run(new Float64Array(0), new Int32Array(0));
  const factor = isNumber(formula.value.dimension) ? (findUnit(unit)?.factor ?? 1) : 1;
  return Number.isFinite(value) ? value * factor : 0;
}

/**
 * How much of a scope lies in each zone, by what it leads with; under the empty key what is in none. Only asked for where
 * a zone has a difficulty: it follows every stroke.
 */
const zonesOfScope = query((job, scopeId): ReadonlyMap<string, number> => {
  const shares = new Map<string, number>();
  const kind = job.scope.get(scopeId as Id<'scope'>)?.kind ?? 'run';
  for (const id of marksOfScope(job, scopeId)) {
    const mark = job.mark.get(id);
    if (mark === undefined) continue;
    const measure = measurerOf(mark, scaleOfMark(job, mark))(leadingMeasure(kind)) ?? 0;
    const zone = mark.zoneId ?? '';
    shares.set(zone, (shares.get(zone) ?? 0) + Math.abs(measure) * formOfMark(job, id).times);
  }
  for (const piece of recordsOf(job.piece, piecesOfScope(job, scopeId)))
    shares.set('', (shares.get('') ?? 0) + Math.abs(figureOf(piece)));
  return shares;
});

/**
 * What the hours of a use are taken times: the difficulties of the job, of its scope and its own, and where its marks
 * lie in zones with difficulties of theirs, those by the share that lies there.
 */
export function difficultyOf(job: Job, { scopeId, difficulty = [] }: Use): number {
  const base = [...ofJob(job), ...ofScope(job, scopeId), ...difficulty];
  if (hardZones(job, '').length === 0) return productOf(job, base);
  const shares = [...zonesOfScope(job, scopeId)];
  const whole = shares.reduce((sum, [, share]) => sum + share, 0);
  if (whole === 0) return productOf(job, base);
  return shares.reduce(
    (sum, [zone, share]) =>
      sum + (share / whole) * productOf(job, zone === '' ? base : [...base, ...ofZone(job, zone)]),
    0,
  );
}
