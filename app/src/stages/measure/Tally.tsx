import { Menu, Portal } from '@chakra-ui/react';
import { Eye, EyeOff, Plus } from 'lucide-react';
import { Fragment, memo, useEffect, useRef } from 'react';
import { useNavigate, useParams } from 'react-router';
import { put } from '@zest/core/job/change';
import { groupBy } from '@zest/core/job/groupBy';
import { inOrder } from '@zest/core/job/job';
import type { Sheet } from '@zest/core/job/records/sheet';
import type { Scope } from '@zest/core/job/records/scope';
import { MEASURE_DIMENSION, type MarkKind, leadingMeasure } from '@zest/core/takeoff/measures';
import { measureNode } from '@zest/core/calculate/nodes';
import { NO_SECTION } from '@zest/core/estimate/lineKey';
import { formatQuantity } from '@zest/core/units/format';
import { Swatch } from '../../components/Swatch.tsx';
import { tellProblem } from '../../components/toaster.tsx';
import { describeFailure, shortFailure } from '../../messages/describeFailure.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { plural } from '../../messages/words.ts';
import {
  type Formats,
  useFormats,
  useJobActions,
  useJobState,
  useOpenJob,
  useServices,
  useSetView,
  useView,
} from '../../stores/context.tsx';
import type { OpenJob } from '../../stores/jobStore.ts';
import { LABEL_MODES, type LabelMode, isShown } from '../../stores/viewStore.ts';
import { ScopeDetails } from './ScopeDetails.tsx';
import { newScope } from './newScope.ts';

/** The scopes in their sections with running figures; the pen's scope opened up. */
export function Tally() {
  const open = useOpenJob();
  const { job } = open;
  const formats = useFormats();
  useJobState((state) => state.revision);
  const penScope = useView((state) => state.penScope);
  const hidden = useView((state) => state.hidden);
  const alone = useView((state) => state.alone);
  const sections = [...inOrder(job.section.values()), { id: NO_SECTION, name: 'No section' }];
  const bySection = groupBy(inOrder(job.scope.values()), ({ sectionId }): string => sectionId ?? NO_SECTION);
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
                    {...rowFigure(open, formats, scope)}
                    on={scope.id === penScope}
                    shown={isShown({ hidden, alone }, scope.id)}
                  />
                  {scope.id === penScope ? <ScopeDetails scope={scope} /> : null}
                </Fragment>
              ))}
            </section>
          );
        })}
      </div>
      <Schedules />
      <Hidden />
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

function rowFigure({ calculation, job }: OpenJob, { display }: Formats, scope: Scope): RowFigure {
  if (!calculation.isMeasured(scope.id)) return NOT_MEASURED;
  const measure = leadingMeasure(scope.kind);
  const { failure, ...known } = calculation.figure(measureNode(scope.id, measure));
  if (failure !== undefined)
    return { figure: shortFailure(failure), unit: '', reason: describeFailure(failure, job) };
  const text = formatQuantity('value' in known ? known.value : 0, MEASURE_DIMENSION[measure], display);
  return { figure: text.figure, unit: measure === 'count' ? 'ea' : text.unit, reason: '' };
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
  const write = ({ number, title, scale }: Sheet): string =>
    `${number} ${title}${scale === null ? ' · no scale' : ''}`;
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

function Hidden() {
  const hidden = useView((state) => state.hidden);
  const alone = useView((state) => state.alone);
  const sheetShown = useView((state) => state.sheetShown);
  const labels = useView((state) => state.labels);
  const setView = useSetView();
  const { job } = useOpenJob();
  const lone = [...job.scope.values()].find(({ id }) => id === alone);
  return (
    <div className="tally-foot">
      <span>
        {lone === undefined
          ? hidden.size === 0
            ? 'All shown'
            : `${plural(hidden.size, 'scope')} hidden`
          : `Only ${lone.name}`}
      </span>
      {hidden.size > 0 || lone !== undefined ? (
        <button
          type="button"
          className="link"
          onClick={() => setView({ hidden: new Set(), alone: undefined })}
        >
          Show all
        </button>
      ) : null}
      <span style={{ flex: 1 }} />
      <button
        type="button"
        className="link"
        onClick={() =>
          setView({ sheetShown: ({ full: 'dim', dim: 'hidden', hidden: 'full' } as const)[sheetShown] })
        }
      >
        {{ full: 'Dim the sheet', dim: 'Hide the sheet', hidden: 'Show the sheet' }[sheetShown]}
      </button>
      <label>
        Labels{' '}
        <select
          className="tally-labels"
          value={labels}
          onChange={(event) => setView({ labels: event.target.value as LabelMode })}
        >
          {LABEL_MODES.map((mode) => (
            <option key={mode} value={mode}>
              {mode}
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}
