import { type Command, put, sequence } from '@zest/core/job/change';
import { inOrder } from '@zest/core/job/job';
import type { Sheet } from '@zest/core/job/records/sheet';
import { mapStrokes } from '@zest/core/takeoff/editStrokes';
import { type JoinPair, joinedContent, planJoin } from '@zest/core/takeoff/joinSheets';
import { tellProblem } from '../../components/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import type { Stores } from '../../stores/context.tsx';

const LIMIT = 200;
const both = (a: string, b: string, between: string): string =>
  [a, b].filter(Boolean).join(between).slice(0, LIMIT);

/** Makes the joined sheet, or joins one anew with the marks on it taken along. Gives its id. */
export function joinSheets(
  { jobs, services }: Stores,
  first: Sheet,
  second: Sheet,
  pairs: readonly JoinPair[],
  redone: Sheet | undefined,
): Sheet['id'] | undefined {
  const job = jobs.getState().open?.job;
  const plan = planJoin(first, second, pairs);
  if (job === undefined || !plan.ok) {
    if (!plan.ok) tellProblem(describeProblem(plan.problem));
    return undefined;
  }
  const sheets = inOrder(job.sheet.values());
  const after = sheets[sheets.findIndex(({ id }) => id === second.id) + 1];
  const content = joinedContent(first, second, pairs, plan.value);
  const fresh: Sheet = {
    type: 'sheet',
    id: services.makeId('sheet'),
    order: after === undefined ? second.order + 1 : (second.order + after.order) / 2,
    number: both(first.number, second.number, '+'),
    title: both(first.title, second.title, ' and ') || 'Joined sheet',
    ...content,
    ...(first.levelId === undefined ? {} : { levelId: first.levelId }),
    ...(first.discipline === undefined ? {} : { discipline: first.discipline }),
  };
  const joined: Sheet = redone === undefined ? fresh : { ...redone, ...content };
  const done = jobs.actions.transact(
    `join ${both(first.number, second.number, ' and ')}`,
    redone === undefined
      ? put(joined)
      : sequence(put(joined), moveMarks(redone, plan.value.shift, first, pairs)),
  );
  if (done.ok) return joined.id;
  tellProblem(describeProblem(done.problem));
  return undefined;
}

/** Marks keep their places on the first half, which only moves with the corner of the joined sheet. */
function moveMarks(
  redone: Sheet,
  shift: { readonly x: number; readonly y: number },
  first: Sheet,
  pairs: readonly JoinPair[],
): Command {
  const [place] = redone.placings ?? [];
  const [firstPlace] = first.placings ?? [];
  const was = {
    x: (place?.matrix[4] ?? 0) - (firstPlace?.matrix[4] ?? 0),
    y: (place?.matrix[5] ?? 0) - (firstPlace?.matrix[5] ?? 0),
  };
  const by = { x: shift.x - was.x, y: shift.y - was.y };
  return (job) =>
    put(
      ...[...job.mark.values()]
        .filter(({ sheetId }) => sheetId === redone.id && pairs.length > 0)
        .map((mark) => ({
          ...mark,
          strokes: mapStrokes(mark.strokes, ({ x, y }) => ({ x: x + by.x, y: y + by.y })),
        })),
    )(job);
}
