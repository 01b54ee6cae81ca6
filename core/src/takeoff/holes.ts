import { flattenPath } from '../geometry/path.ts';
import { ringContains, signedArea } from '../geometry/polygon.ts';
import { marksOfScope } from '../job/belongs.ts';
import { type Command, put, sequence } from '../job/change.ts';
import { removeMarks } from '../job/commands/removeWith.ts';
import { type Job, getRecord } from '../job/job.ts';
import type { Mark } from '../job/records/mark.ts';

/** An area and the one it lies in. */
export interface Inside {
  readonly holeId: Mark['id'];
  readonly hostId: Mark['id'];
}

const ringsOf = (mark: Mark) => mark.strokes.map((stroke) => flattenPath(stroke, true, 0.5));

/** The smallest area of the same scope and sheet that an area lies in whole; undefined for none. */
export function findAround(job: Job, area: Mark): Mark | undefined {
  if (area.kind !== 'area') return undefined;
  const corners = ringsOf(area).flat();
  const sizeOf = (mark: Mark): number => Math.abs(signedArea(ringsOf(mark)[0] ?? []));
  return [...marksOfScope(job, area.scopeId)]
    .flatMap((id) => job.mark.get(id) ?? [])
    .filter(({ id, kind, sheetId }) => id !== area.id && kind === 'area' && sheetId === area.sheetId)
    .filter((mark) => ringsOf(mark).some((ring) => corners.every((at) => ringContains(ring, at))))
    .sort((a, b) => sizeOf(a) - sizeOf(b))[0];
}

/** Makes an area a hole in the one around it: by the even-odd rule its rings are just more rings of that. */
export const cutOut =
  (hostId: Mark['id'], holeId: Mark['id']): Command =>
  (job) => {
    const [host, hole] = [getRecord(job, hostId), getRecord(job, holeId)];
    return sequence(
      put({ ...host, strokes: [...host.strokes, ...hole.strokes] }),
      removeMarks([holeId]),
    )(job);
  };
