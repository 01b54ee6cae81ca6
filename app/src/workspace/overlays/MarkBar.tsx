import type { Services } from '../../platform/services.ts';
import type { Handle } from '../tools/edit.ts';
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
import { type Command, put, sequence } from '@zest/core/job/change';
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
import { CommitInput } from '../../parts/CommitInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { useJobActions, useOpenJob, useServices, useSetView, useView } from '../../stores/context.tsx';
import type { Session } from '../session.ts';
import { useSelectedMarks } from '../useSelectedMarks.ts';
import { useSessionState } from '../useSession.ts';
import { MarkDetails } from './MarkDetails.tsx';
import { MarkPlaces } from './MarkPlaces.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import type { Point } from '@zest/core/geometry/point';

/** Less than this off the line, a vertex changes nothing that was meant. */
const SIMPLIFY_PT = 1.5;

interface MarkBarProps {
  readonly session: Session;
  readonly sheet: Sheet;
}

/** What can be done with the selected marks. */
export const MarkBar = memo(function MarkBar({ session, sheet }: MarkBarProps) {
  const vertex = useSessionState(session, (state) => state.vertex);
  // The bar is long: after a drag it comes back once the marks and the total stand.
  const dragging = useDeferredValue(useSessionState(session, (state) => state.drag !== undefined));
  const tool = useView((state) => state.tool);
  const held = useSelectedMarks(useDeferredValue(useView((state) => state.selectedMarks)));
  const selected = held.filter(({ sheetId }) => sheetId === sheet.id);
  const actions = useJobActions();
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

  const times = new Set(held.map(({ repeat }) => repeat ?? 1));
  const locked = free.length < held.length;
  return (
    <div
      className={styles.markBar}
      role="toolbar"
      aria-label={t('workspace.selectedMarks')}
      onPointerDown={(event) => event.stopPropagation()}
    >
      <div className={styles.markBarRow}>
        <b>
          {t('count.mark', { count: held.length })}
          {sheets > 1 ? t('workspace.on', { sheets: t('count.sheet', { count: sheets }) }) : ''}
        </b>
        <ScopeOfMarks alike={alike} held={held} first={first} run={run} free={free} />
        <TimesField times={times} run={run} free={free} />
        <TurnButtons reshape={reshape} all={all} />
        <RunButtons first={first} reshape={reshape} vertex={vertex} run={run} />
        <PairButtons pair={pair} first={first} run={run} closed={closed} />
        <LockAndDelete locked={locked} run={run} held={held} free={free} />
      </div>
      <MarkPlaces marks={held} run={run} />
      {held.length === 1 && selected.length === 1 ? <MarkDetails mark={first} vertex={vertex} /> : null}
    </div>
  );
});

interface LockAndDeleteProps {
  readonly locked: boolean;
  readonly run: (label: string, command: Command) => boolean;
  readonly held: readonly Mark[];
  readonly free: Mark[];
}

function LockAndDelete({ locked, run, held, free }: LockAndDeleteProps) {
  const setView = useSetView();
  return (
    <>
      <IconAction
        label={locked ? t('workspace.unlock') : t('workspace.lockInPlace')}
        icon={locked ? LockOpen : Lock}
        onClick={() =>
          run(
            locked ? t('workspace.unlockMarks') : t('workspace.lockMarks'),
            put(...held.map((mark) => ({ ...mark, locked: !locked }))),
          )
        }
      />
      <IconAction
        label={t('workspace.deleteTheMarks')}
        icon={free.length === 0 ? Minus : Trash2}
        onClick={() => {
          if (
            run(
              t('workspace.delete', { marks: t('count.mark', { count: free.length }) }),
              removeMarks(free.map(({ id }) => id)),
            )
          )
            setView({ selectedMarks: new Set() });
        }}
      />
    </>
  );
}

interface PairButtonsProps {
  readonly pair: Mark | undefined;
  readonly first: Mark;
  readonly run: (label: string, command: Command) => boolean;
  readonly closed: boolean;
}

function PairButtons({ pair, first, run, closed }: PairButtonsProps) {
  const setView = useSetView();
  return (
    <>
      {pair === undefined || first.kind === 'count' ? null : (
        <IconAction
          label={t('workspace.joinTheTwo')}
          icon={Link2}
          onClick={() => combine(first, pair, 'join', run, setView)}
        />
      )}
      {pair === undefined || !closed ? null : (
        <IconAction
          label={t('workspace.cutTheSecondOutOfTheFirst')}
          icon={SquaresSubtract}
          onClick={() => combine(first, pair, 'subtract', run, setView)}
        />
      )}
    </>
  );
}

interface RunButtonsProps {
  readonly first: Mark;
  readonly reshape: (label: string, change: (strokes: Strokes, mark: Mark) => Strokes) => void;
  readonly vertex: Handle | undefined;
  readonly run: (label: string, command: Command) => boolean;
}

function RunButtons({ first, reshape, vertex, run }: RunButtonsProps) {
  const services = useServices();
  return first.kind === 'run' ? (
    <>
      <IconAction
        label={t('workspace.reverseDirection')}
        icon={Undo}
        onClick={() => reshape(t('workspace.reverseRuns'), reverseStrokes)}
      />
      <IconAction
        label={t('workspace.cutAtTheSelectedVertex')}
        icon={Scissors}
        onClick={() => splitRun(first, vertex, services.makeId, run)}
      />
      <IconAction
        label={t('workspace.removePointsThatChangeNothing')}
        icon={Spline}
        onClick={() =>
          reshape(t('workspace.simplifyRuns'), (strokes) =>
            strokes.map((stroke) => simplifyStroke(stroke, SIMPLIFY_PT)),
          )
        }
      />
    </>
  ) : null;
}

interface TurnButtonsProps {
  readonly reshape: (label: string, change: (strokes: Strokes, mark: Mark) => Strokes) => void;
  readonly all: Point;
}

function TurnButtons({ reshape, all }: TurnButtonsProps) {
  return (
    <>
      <IconAction
        label={t('workspace.mirrorLeftToRight')}
        icon={FlipHorizontal2}
        onClick={() => reshape(t('workspace.mirrorMarks'), (strokes) => mirrorStrokes(strokes, all, 'x'))}
      />
      <IconAction
        label={t('workspace.mirrorTopToBottom')}
        icon={FlipVertical2}
        onClick={() => reshape(t('workspace.mirrorMarks'), (strokes) => mirrorStrokes(strokes, all, 'y'))}
      />
      <IconAction
        label={t('workspace.turnAQuarterClockwise')}
        icon={RotateCw}
        onClick={() => reshape(t('workspace.turnMarks'), (strokes) => turnStrokes(strokes, all, 90))}
      />
    </>
  );
}

interface TimesFieldProps {
  readonly times: Set<number>;
  readonly run: (label: string, command: Command) => boolean;
  readonly free: Mark[];
}

function TimesField({ times, run, free }: TimesFieldProps) {
  return (
    <label className={styles.markBarTimes}>
      {t('workspace.times')}
      <CommitInput
        label={t('workspace.howManyTimesItCounts')}
        align="end"
        style={{ width: 46 }}
        value={times.size === 1 ? String([...times][0]) : ''}
        onCommit={(text) => {
          const repeat = Number(text);
          if (!Number.isInteger(repeat) || repeat < 0) return t('workspace.typeAWholeNumber0LeavesIt');
          run(
            t('workspace.countTimes', { marks: t('count.mark', { count: free.length }), repeat }),
            put(...free.map((mark) => ({ ...mark, repeat }))),
          );
          return undefined;
        }}
      />
    </label>
  );
}

interface ScopeOfMarksProps {
  readonly alike: boolean;
  readonly held: readonly Mark[];
  readonly first: Mark;
  readonly run: (label: string, command: Command) => boolean;
  readonly free: Mark[];
}

function ScopeOfMarks({ alike, held, first, run, free }: ScopeOfMarksProps) {
  const setView = useSetView();
  const { job } = useOpenJob();
  return alike ? (
    <Select
      aria-label={t('workspace.scopeOfTheMarks')}
      value={held.every(({ scopeId }) => scopeId === first.scopeId) ? first.scopeId : ''}
      onChange={(event) => {
        const scopeId = event.target.value as Id<'scope'>;
        run(t('workspace.changeTheScopeOfMarks'), put(...free.map((mark) => ({ ...mark, scopeId }))));
        setView({ penScope: scopeId });
      }}
    >
      <option value="" disabled>
        {t('workspace.severalScopes')}
      </option>
      <ScopeOptions kind={first.kind} scopes={job.scope} />
    </Select>
  ) : null;
}

type Run = (label: string, command: Command) => boolean;

/** A run becomes two at the point that is selected. */
function splitRun(first: Mark, vertex: Handle | undefined, makeId: Services['makeId'], run: Run): void {
  const parts = vertex === undefined ? undefined : splitStrokes(first.strokes, vertex.stroke, vertex.index);
  if (parts === undefined) return tellProblem(t('workspace.clickThePointWhereYouWantTo'));
  const other: Mark = { ...first, id: makeId('mark'), strokes: parts[1] };
  run(t('workspace.splitARun'), put({ ...first, strokes: parts[0] }, other));
}
/** Two of a kind become one, or the second is cut out of the first. */
function combine(
  first: Mark,
  pair: Mark,
  operation: 'join' | 'subtract',
  run: Run,
  setView: ReturnType<typeof useSetView>,
): void {
  const strokes =
    first.kind === 'run'
      ? joinStrokes(first.strokes, pair.strokes)
      : combineAreas(first.strokes, pair.strokes, operation);
  if (strokes.length === 0) return tellProblem(t('workspace.thatWouldLeaveNothingOfTheArea'));
  // What is cut out stays a mark of its own; what is joined goes into the first.
  const keep = put({ ...first, strokes });
  const command = operation === 'join' ? sequence(keep, removeMarks([pair.id])) : keep;
  if (run(operation === 'join' ? t('workspace.joinTwoMarks') : t('workspace.cutAnArea'), command))
    setView({ selectedMarks: new Set([first.id]) });
}

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
