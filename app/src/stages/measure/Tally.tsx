import { unscaledSheets } from '@zest/core/doubts/sheets';
import { Menu, Portal } from '@chakra-ui/react';
import { Eye, EyeOff, Plus } from 'lucide-react';
import { Fragment, memo, useEffect, useRef } from 'react';
import { useNavigate, useParams } from 'react-router';
import { put } from '@zest/core/job/change';
import { groupBy } from '@zest/core/job/groupBy';
import { inOrder } from '@zest/core/job/job';
import type { Sheet } from '@zest/core/job/records/sheet';
import type { Scope } from '@zest/core/job/records/scope';
import { type MarkKind, leadingMeasure } from '@zest/core/job/markKinds';
import { MEASURE_DIMENSION } from '@zest/core/job/measures';
import { figureOnSheets } from '@zest/core/calculate/explain/sheetFigures';
import { measureNode } from '@zest/core/calculate/graph/nodes';
import { NO_SECTION } from '@zest/core/job/lineKey';
import { formatQuantity } from '@zest/core/units/format';
import { Swatch } from '../../components/Swatch.tsx';
import { tellProblem } from '../../components/toaster.tsx';
import { describeFailure, shortFailure } from '../../messages/describeFailure.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import {
  type Formats,
  useFormats,
  useJobActions,
  useOpenJob,
  useServices,
  useSetView,
  useView,
} from '../../stores/context.tsx';
import type { OpenJob } from '../../stores/jobStore.ts';
import { isScopeShown } from '../../stores/viewStore.ts';
import { NotMeasured } from './NotMeasured.tsx';
import { ViewFoot } from './ViewFoot.tsx';
import { ScopeDetails } from './ScopeDetails.tsx';
import { newScope } from './newScope.ts';

/** The scopes in their sections with running figures; the pen's scope opened up. */
export function Tally() {
  const open = useOpenJob();
  const { job } = open;
  const formats = useFormats();
  const within = useSheetsWithin();
  const penScope = useView((state) => state.penScope);
  const hidden = useView((state) => state.hidden);
  const alone = useView((state) => state.alone);
  const sections = [...inOrder(job.section.values()), { id: NO_SECTION, name: 'No section' }];
  const onSheets = new Map(
    inOrder(job.scope.values()).flatMap((scope) => {
      const figure = rowFigure(open, formats, scope, within);
      return figure === undefined && scope.id !== penScope ? [] : [[scope, figure ?? NOT_HERE] as const];
    }),
  );
  const bySection = groupBy(onSheets.keys(), ({ sectionId }): string => sectionId ?? NO_SECTION);
  return (
    <aside className="tally" aria-label="Tally">
      <div className="tally-head">
        <span style={{ flex: 1 }}>Tally</span>
        <SheetChoice />
        <NewScope />
      </div>
      <div className="scroll">
        {job.scope.size === 0 ? (
          <div className="empty" style={{ marginTop: 32 }}>
            <h2>Nothing to measure yet</h2>
            <p>
              A scope is one thing you measure: a partition, a slab, the doors. Press L, A or C and draw; a
              scope is made for it.
            </p>
          </div>
        ) : null}
        {sections.map(({ id, name }) => {
          const scopes = bySection.get(id);
          if (scopes === undefined) return null;
          return (
            <section key={id} aria-label={name}>
              <div className="tally-section">
                <span>{name}</span>
                <span>{scopes.length}</span>
              </div>
              {scopes.map((scope) => (
                <Fragment key={scope.id}>
                  <ScopeRow
                    scope={scope}
                    {...(onSheets.get(scope) ?? NOT_HERE)}
                    on={scope.id === penScope}
                    shown={isScopeShown({ hidden, alone }, scope)}
                  />
                  {scope.id === penScope ? <ScopeDetails scope={scope} /> : null}
                </Fragment>
              ))}
            </section>
          );
        })}
      </div>
      <NotMeasured />
      <Schedules />
      <ViewFoot />
    </aside>
  );
}

/** What a row shows, as plain values: a row is only drawn anew when one of them is another. */
interface ScopeRowProps {
  readonly scope: Scope;
  readonly figure: string;
  readonly unit: string;
  /** Why there is no figure; empty where there is one. */
  readonly reason: string;
  readonly on: boolean;
  readonly shown: boolean;
}

type RowFigure = Pick<ScopeRowProps, 'figure' | 'unit' | 'reason'>;

const NOT_MEASURED: RowFigure = { figure: 'not measured yet', unit: '', reason: 'not measured yet' };
const NOT_HERE: RowFigure = { figure: '–', unit: '', reason: '' };

/** The sheets the tally is of; undefined for the whole job. */
function useSheetsWithin(): ReadonlySet<string> | undefined {
  const { job } = useOpenJob();
  const { sheetId = '' } = useParams();
  const within = useView((state) => state.within);
  if (within === 'job') return undefined;
  const levelId = job.sheet.get(sheetId as Sheet['id'])?.levelId;
  if (within === 'sheet' || levelId === undefined) return new Set([sheetId]);
  return new Set([...job.sheet.values()].filter((sheet) => sheet.levelId === levelId).map(({ id }) => id));
}

/** What a row reads; undefined for a scope with nothing on the sheets that are asked for. */
function rowFigure(
  { figures, job }: OpenJob,
  { display }: Formats,
  scope: Scope,
  within: ReadonlySet<string> | undefined,
): RowFigure | undefined {
  const measure = leadingMeasure(scope.kind);
  const write = (value: number): RowFigure => {
    const text = formatQuantity(value, MEASURE_DIMENSION[measure], display);
    return { figure: text.figure, unit: measure === 'count' ? 'ea' : text.unit, reason: '' };
  };
  if (within !== undefined) {
    const { value, marks } = figureOnSheets(figures, scope, within);
    if (marks === 0) return undefined;
    return value === undefined
      ? { figure: 'no figure', unit: '', reason: 'a mark has no figure' }
      : write(value);
  }
  if (!figures.isMeasured(scope.id)) return NOT_MEASURED;
  const { failure, ...known } = figures.figure(measureNode(scope.id, measure));
  if (failure !== undefined)
    return { figure: shortFailure(failure), unit: '', reason: describeFailure(failure, job) };
  return write('value' in known ? known.value : 0);
}

const ScopeRow = memo(function ScopeRow({ scope, figure, unit, reason, on, shown }: ScopeRowProps) {
  const row = useRef<HTMLDivElement>(null);
  // A mark picked on the sheet brings its scope into view.
  useEffect(() => {
    if (on) row.current?.scrollIntoView({ block: 'nearest' });
  }, [on]);
  const actions = useJobActions();
  const setView = useSetView();
  const choose = (): void => {
    setView(({ tool }) => ({
      penScope: on ? undefined : scope.id,
      ...(tool === 'run' || tool === 'area' || tool === 'count' || tool === 'slope'
        ? { tool: scope.kind }
        : {}),
    }));
    actions.select(on ? undefined : { type: 'scope', id: scope.id });
  };
  const toggle = (): void =>
    setView(({ hidden }) => {
      const next = new Set(hidden);
      if (!next.delete(scope.id)) next.add(scope.id);
      return { hidden: next, alone: undefined };
    });
  return (
    <div ref={row} className={`tally-row ${on ? 'on' : ''} ${shown ? '' : 'off'}`}>
      <Swatch color={scope.color} kind={scope.kind} />
      <button
        type="button"
        className="plain-button cut tally-name"
        aria-expanded={on}
        title={scope.name}
        onClick={choose}
      >
        {scope.name}
      </button>
      <span className="tally-figure" data-scope={scope.key}>
        {reason === '' ? (
          <span>{figure}</span>
        ) : (
          <span className="warn" title={reason} aria-label={reason} role="note">
            {figure}
          </span>
        )}
        {unit === '' ? null : <span className="unit"> {unit}</span>}
      </span>
      <button
        type="button"
        className="icon-button"
        aria-pressed={!shown}
        aria-label={`${shown ? 'Hide' : 'Show'} ${scope.name}`}
        onClick={toggle}
      >
        {shown ? <Eye size={14} /> : <EyeOff size={14} />}
      </button>
    </div>
  );
});

/** The sheet at hand, to change without leaving the plan. */
function SheetChoice() {
  const { job, jobId } = useOpenJob();
  const { sheetId } = useParams();
  const navigate = useNavigate();
  const missing = unscaledSheets(job);
  const write = (sheet: Sheet): string =>
    `${sheet.number} ${sheet.title}${missing.has(sheet) ? ' · no scale' : ''}`;
  return (
    <select
      className="input"
      style={{ width: 176, fontWeight: 400 }}
      aria-label="Sheet"
      value={sheetId}
      onChange={(event) => void navigate(`/job/${jobId}/measure/${encodeURIComponent(event.target.value)}`)}
    >
      {inOrder(job.sheet.values()).map((sheet) => (
        <option key={sheet.id} value={sheet.id}>
          {write(sheet)}
        </option>
      ))}
    </select>
  );
}

const KINDS: readonly (readonly [kind: MarkKind, name: string, what: string])[] = [
  ['run', 'Run', 'walls, pipes, edges'],
  ['area', 'Area', 'slabs, floors, roofs'],
  ['count', 'Count', 'doors, fixtures'],
  ['slope', 'Roof slope', 'with its pitch and edges'],
];

function NewScope() {
  const { job } = useOpenJob();
  const services = useServices();
  const actions = useJobActions();
  const setView = useSetView();
  const create = (kind: MarkKind): void => {
    const scope = newScope(job, kind, services.makeId);
    const done = actions.transact('new scope', put(scope));
    if (done.ok) setView({ penScope: scope.id, tool: kind });
    else tellProblem(describeProblem(done.problem));
  };
  return (
    <Menu.Root>
      <Menu.Trigger asChild>
        <button type="button" className="icon-button" aria-label="New scope" title="New scope">
          <Plus size={17} />
        </button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {KINDS.map(([kind, name, what]) => (
              <Menu.Item key={kind} value={kind} onClick={() => create(kind)}>
                {name} <span className="soft">{what}</span>
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}

/** Schedules kept from the sheets, a click each; a new one is boxed on the sheet. */
function Schedules() {
  const { job } = useOpenJob();
  const setView = useSetView();
  return (
    <div className="tally-foot">
      <span>Schedules</span>
      {inOrder(job.schedule.values()).map((schedule) => (
        <button key={schedule.id} type="button" className="link cut" onClick={() => setView({ schedule })}>
          {schedule.title}
        </button>
      ))}
      <span style={{ flex: 1 }} />
      <button type="button" className="link" onClick={() => setView({ tool: 'schedule' })}>
        Read one
      </button>
    </div>
  );
}
