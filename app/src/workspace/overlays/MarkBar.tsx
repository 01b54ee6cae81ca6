import { isRing } from '@zest/core/job/markKinds';
import { memo, useDeferredValue } from 'react';
import {
  FlipHorizontal2,
  FlipVertical2,
  Link2,
  Lock,
  LockOpen,
  Minus,
  RotateCw,
  Scissors,
  Spline,
  SquaresSubtract,
  Trash2,
  Undo,
} from 'lucide-react';
import type { Command } from '@zest/core/job/change';
import { put, sequence } from '@zest/core/job/change';
import { removeMarks } from '@zest/core/job/commands/removeWith';
import { type Job, inOrder } from '@zest/core/job/job';
import type { Id } from '@zest/core/job/id';
import type { Mark } from '@zest/core/job/records/mark';
import type { Sheet } from '@zest/core/job/records/sheet';
import {
  type Strokes,
  combineAreas,
  joinStrokes,
  middleOf,
  mirrorStrokes,
  reverseStrokes,
  simplifyStroke,
  splitStrokes,
  turnStrokes,
} from '@zest/core/takeoff/editStrokes';
import { CommitInput } from '../../components/CommitInput.tsx';
import { IconAction } from '../../components/IconAction.tsx';
import { tellProblem } from '../../components/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { plural } from '../../messages/words.ts';
import { useJobActions, useOpenJob, useServices, useSetView, useView } from '../../stores/context.tsx';
import type { Session } from '../session.ts';
import { useSelectedMarks } from '../useSelectedMarks.ts';
import { useSessionState } from '../useSession.ts';
import { MarkDetails } from './MarkDetails.tsx';
import { MarkPlaces } from './MarkPlaces.tsx';
import { Select } from '../../parts/fields.tsx';

/** Less than this off the line, a vertex changes nothing that was meant. */
const SIMPLIFY_PT = 1.5;

interface MarkBarProps {
  readonly session: Session;
  readonly sheet: Sheet;
}

/** What can be done with the selected marks. */
export const MarkBar = memo(function MarkBar({ session, sheet }: MarkBarProps) {
  const vertex = useSessionState(session, (state) => state.vertex);
  const dragging = useSessionState(session, (state) => state.drag !== undefined);
  const tool = useView((state) => state.tool);
  const { job } = useOpenJob();
  // The bar is long; it follows once the sheet and the total stand.
  const held = useSelectedMarks(useDeferredValue(useView((state) => state.selectedMarks)));
  const selected = held.filter(({ sheetId }) => sheetId === sheet.id);
  const actions = useJobActions();
  const services = useServices();
  const setView = useSetView();
  const shown = selected.length > 0 ? selected : held;
  const [first, second] = shown;
  if (tool !== 'select' || first === undefined || dragging) return null;
  const free = held.filter(({ locked }) => locked !== true);
  const here = selected.filter(({ locked }) => locked !== true);
  const sheets = new Set(held.map(({ sheetId }) => sheetId)).size;
  const run = (label: string, command: Command): boolean => {
    const done = actions.transact(label, command);
    if (!done.ok) tellProblem(describeProblem(done.problem));
    return done.ok;
  };
  const reshape = (label: string, change: (strokes: Strokes, mark: Mark) => Strokes): void =>
    void run(label, put(...here.map((mark) => ({ ...mark, strokes: change(mark.strokes, mark) }))));
  const all = middleOf(shown.flatMap(({ strokes }) => strokes));
  const alike = held.every(({ kind }) => kind === first.kind);
  const closed = isRing(first.kind);
  const pair =
    held.length === 2 && selected.length === 2 && alike && free.length === 2 && second !== undefined
      ? second
      : undefined;

  const split = (): void => {
    const parts = vertex === undefined ? undefined : splitStrokes(first.strokes, vertex.stroke, vertex.index);
    if (parts === undefined)
      return tellProblem('Click the point where you want to cut the run, between its ends.');
    const other: Mark = { ...first, id: services.makeId('mark'), strokes: parts[1] };
    run('split a run', put({ ...first, strokes: parts[0] }, other));
  };
  const combine = (operation: 'join' | 'subtract'): void => {
    if (pair === undefined) return;
    const strokes =
      first.kind === 'run'
        ? joinStrokes(first.strokes, pair.strokes)
        : combineAreas(first.strokes, pair.strokes, operation);
    if (strokes.length === 0) return tellProblem('That would leave nothing of the area.');
    // What is cut out stays a mark of its own; what is joined goes into the first.
    const keep = put({ ...first, strokes });
    const command = operation === 'join' ? sequence(keep, removeMarks([pair.id])) : keep;
    if (run(operation === 'join' ? 'join two marks' : 'cut an area', command))
      setView({ selectedMarks: new Set([first.id]) });
  };
  const times = new Set(held.map(({ repeat }) => repeat ?? 1));
  const locked = free.length < held.length;
  return (
    <div
      className="mark-bar"
      role="toolbar"
      aria-label="Selected marks"
      onPointerDown={(event) => event.stopPropagation()}
    >
      <div className="mark-bar-row">
        <b>
          {plural(held.length, 'mark')}
          {sheets > 1 ? ` on ${plural(sheets, 'sheet')}` : ''}
        </b>
        {alike ? (
          <Select
            aria-label="Scope of the marks"
            value={held.every(({ scopeId }) => scopeId === first.scopeId) ? first.scopeId : ''}
            onChange={(event) => {
              const scopeId = event.target.value as Id<'scope'>;
              run('change the scope of marks', put(...free.map((mark) => ({ ...mark, scopeId }))));
              setView({ penScope: scopeId });
            }}
          >
            <option value="" disabled>
              several scopes
            </option>
            <ScopeOptions kind={first.kind} scopes={job.scope} />
          </Select>
        ) : null}
        <label className="mark-bar-times">
          times
          <CommitInput
            label="How many times it counts"
            align="end"
            style={{ width: 46 }}
            value={times.size === 1 ? String([...times][0]) : ''}
            onCommit={(text) => {
              const repeat = Number(text);
              if (!Number.isInteger(repeat) || repeat < 0) return 'Type a whole number; 0 leaves it out.';
              run(
                `count ${plural(free.length, 'mark')} ${repeat} times`,
                put(...free.map((mark) => ({ ...mark, repeat }))),
              );
              return undefined;
            }}
          />
        </label>
        <IconAction
          label="Mirror left to right"
          icon={FlipHorizontal2}
          onClick={() => reshape('mirror marks', (strokes) => mirrorStrokes(strokes, all, 'x'))}
        />
        <IconAction
          label="Mirror top to bottom"
          icon={FlipVertical2}
          onClick={() => reshape('mirror marks', (strokes) => mirrorStrokes(strokes, all, 'y'))}
        />
        <IconAction
          label="Turn a quarter clockwise"
          icon={RotateCw}
          onClick={() => reshape('turn marks', (strokes) => turnStrokes(strokes, all, 90))}
        />
        {first.kind === 'run' ? (
          <>
            <IconAction
              label="Reverse direction"
              icon={Undo}
              onClick={() => reshape('reverse runs', reverseStrokes)}
            />
            <IconAction label="Cut at the selected vertex" icon={Scissors} onClick={split} />
            <IconAction
              label="Remove points that change nothing"
              icon={Spline}
              onClick={() =>
                reshape('simplify runs', (strokes) =>
                  strokes.map((stroke) => simplifyStroke(stroke, SIMPLIFY_PT)),
                )
              }
            />
          </>
        ) : null}
        {pair === undefined || first.kind === 'count' ? null : (
          <IconAction label="Join the two" icon={Link2} onClick={() => combine('join')} />
        )}
        {pair === undefined || !closed ? null : (
          <IconAction
            label="Cut the second out of the first"
            icon={SquaresSubtract}
            onClick={() => combine('subtract')}
          />
        )}
        <IconAction
          label={locked ? 'Unlock' : 'Lock in place'}
          icon={locked ? LockOpen : Lock}
          onClick={() =>
            run(
              locked ? 'unlock marks' : 'lock marks',
              put(...held.map((mark) => ({ ...mark, locked: !locked }))),
            )
          }
        />
        <IconAction
          label="Delete the marks"
          icon={free.length === 0 ? Minus : Trash2}
          onClick={() => {
            if (run(`delete ${plural(free.length, 'mark')}`, removeMarks(free.map(({ id }) => id))))
              setView({ selectedMarks: new Set() });
          }}
        />
      </div>
      <MarkPlaces marks={held} run={run} />
      {held.length === 1 && selected.length === 1 ? <MarkDetails mark={first} vertex={vertex} /> : null}
    </div>
  );
});

/** Hundreds of options must not be made anew for every moved vertex. */
const ScopeOptions = memo(function ScopeOptions({
  kind,
  scopes,
}: {
  readonly kind: Mark['kind'];
  readonly scopes: Job['scope'];
}) {
  return (
    <>
      {inOrder(scopes.values())
        .filter((scope) => scope.kind === kind)
        .map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
    </>
  );
});
