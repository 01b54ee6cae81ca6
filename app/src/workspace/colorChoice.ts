import { type Job, inOrder } from '@zest/core/job/job';
import type { Scope } from '@zest/core/job/records/scope';
import type { ColorMode } from '../stores/viewStore.ts';

/** What is in no section, on no level or in no zone is stone gray. */
const NONE = 10;

/** The color of marks, by what they are told apart by. */
export function colorChoice(
  job: Job,
  mode: ColorMode,
  levelId: string | undefined,
): (scope: Scope, zoneId: string | undefined) => number {
  const order = <Item extends { readonly id: string; readonly order: number }>(
    items: Iterable<Item>,
  ): ReadonlyMap<string, number> => new Map(inOrder(items).map(({ id }, index) => [id, index]));
  if (mode === 'section') {
    const sections = order(job.section.values());
    return ({ sectionId }) => sections.get(sectionId ?? '') ?? NONE;
  }
  if (mode === 'level') {
    const color = order(job.level.values()).get(levelId ?? '') ?? NONE;
    return () => color;
  }
  if (mode === 'zone') {
    const zones = order(job.zone.values());
    return (_scope, zoneId) => zones.get(zoneId ?? '') ?? NONE;
  }
  return ({ color }) => color;
}
