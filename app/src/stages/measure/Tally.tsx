import { unscaledSheets } from '@zest/core/doubts/unscaledSheets';
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
import type { Failure } from '@zest/core/job/failure';
import { figureOnSheets, scopesOnSheets } from '@zest/core/calculate/explain/sheetFigures';
import { measureNode } from '@zest/core/calculate/graph/nodes';
import { NO_SECTION } from '@zest/core/job/lineKey';
import { type Display, formatQuantity } from '@zest/core/units/format';
import { Swatch } from '../../figures/Swatch.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { FailureText, NoFigure } from '../../figures/Figure.tsx';
import {
  useFormats,
  useJobActions,
  useJobNow,
  useServices,
  useSetView,
  useView,
} from '../../stores/context.tsx';
import { useJobId, useOfJob, useTable, useTables } from '../../stores/jobHooks.ts';
import type { OpenJob } from '../../stores/jobStore.ts';
import { isScopeShown } from '../../stores/viewStore.ts';
import { NotMeasured } from './NotMeasured.tsx';
import { ViewFoot } from './ViewFoot.tsx';
import { ScopeDetails } from './ScopeDetails.tsx';
import { newScope } from './newScope.ts';
import { BareButton, IconButton, TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { layout } from '../../theme/layout.ts';
import { Empty } from '../../parts/Empty.tsx';

/** The scopes in their sections with running figures; the pen's scope opened up. */
export function Tally() {
  const job = useTables('scope', 'section');
  const within = useSheetsWithin();
  const { display } = useFormats();
  const penScope = useView((state) => state.penScope);
  const hidden = useView((state) => state.hidden);
  const alone = useView((state) => state.alone);
  const sections = [...inOrder(job.section.values()), { id: NO_SECTION, name: t('measure.noSection') }];
  // Of fewer sheets than all, only what has marks there; and what is in hand.
  const here = useOfJob(({ job: now }) =>
    within === undefined ? undefined : scopesOnSheets(now, within).filter((id) => id !== penScope),
  );
  const listed = inOrder(job.scope.values()).filter(
    ({ id }) => here === undefined || id === penScope || here.includes(id),
  );
  const bySection = groupBy(listed, ({ sectionId }): string => sectionId ?? NO_SECTION);
  return (
    <aside className={styles.tally} aria-label={t('measure.tally')}>
      <div className={styles.tallyHead}>
        <span style={{ flex: 1 }}>{t('measure.tally')}</span>
        <SheetChoice />
        <NewScope />
      </div>
      <div className={layout.scroll}>
        {job.scope.size === 0 ? (
          <Empty title={t('measure.nothingToMeasureYet')}>{t('measure.aScopeIsOneThingYouMeasure')}</Empty>
        ) : null}
        {sections.map(({ id, name }) => {
          const scopes = bySection.get(id);
          if (scopes === undefined) return null;
          return (
            <section key={id} aria-label={name}>
              <div className={styles.tallySection}>
                <span>{name}</span>
                <span>{scopes.length}</span>
              </div>
              {scopes.map((scope) => (
                <Fragment key={scope.id}>
                  <ScopeRow
                    scope={scope}
                    within={within}
                    display={display}
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

/** The sheets the tally is of; undefined for the whole job. The same set while these are the same sheets. */
function useSheetsWithin(): ReadonlySet<string> | undefined {
  const { sheetId = '' } = useParams();
  const within = useView((state) => state.within);
  return useOfJob(({ job }) => {
    if (within === 'job') return undefined;
    const levelId = job.sheet.get(sheetId as Sheet['id'])?.levelId;
    if (within === 'sheet' || levelId === undefined) return new Set([sheetId]);
    return new Set([...job.sheet.values()].filter((sheet) => sheet.levelId === levelId).map(({ id }) => id));
  });
}

/** Why a row has no figure; `not-here` where that is as it should be. */
type RowFigure =
  | { readonly is: 'known'; readonly value: number }
  | { readonly is: 'not-measured' | 'not-here' | 'mark-without' }
  | { readonly is: 'failed'; readonly failure: Failure };

/** What a row reads: of the whole job, or of the sheets that are asked for. */
function rowFigure({ figures }: OpenJob, scope: Scope, within: ReadonlySet<string> | undefined): RowFigure {
  if (within !== undefined) {
    const { value, marks } = figureOnSheets(figures, scope, within);
    if (marks === 0) return { is: 'not-here' };
    return value === undefined ? { is: 'mark-without' } : { is: 'known', value };
  }
  const figure = figures.figure(measureNode(scope.id, leadingMeasure(scope.kind)));
  // Nothing measured comes to nothing, or to no figure: only then need anybody look for what there is.
  if (figure.failure === undefined && figure.value !== 0) return { is: 'known', value: figure.value };
  if (!figures.isMeasured(scope.id)) return { is: 'not-measured' };
  return figure.failure === undefined
    ? { is: 'known', value: figure.value }
    : { is: 'failed', failure: figure.failure };
}

interface ScopeRowProps {
  readonly scope: Scope;
  readonly within: ReadonlySet<string> | undefined;
  readonly display: Display;
  readonly on: boolean;
  readonly shown: boolean;
}

/** The running figure of a scope: drawn anew only when it is another. */
function ScopeFigure({ scope, within, display }: Pick<ScopeRowProps, 'scope' | 'within' | 'display'>) {
  const at = useOfJob((open) => rowFigure(open, scope, within));
  const measure = leadingMeasure(scope.kind);
  switch (at.is) {
    case 'known': {
      const { figure, unit } = formatQuantity(at.value, MEASURE_DIMENSION[measure], display);
      return (
        <>
          <span>{figure}</span>
          {measure === 'count' ? (
            <span className="unit"> {t('measure.ea')}</span>
          ) : unit === '' ? null : (
            <span className="unit"> {unit}</span>
          )}
        </>
      );
    }
    case 'failed':
      return <FailureText failure={at.failure} />;
    case 'not-here':
      return <span>–</span>;
    default:
      return (
        <NoFigure
          words={at.is === 'not-measured' ? t('measure.notMeasuredYet') : t('measure.noFigure')}
          why={NO_FIGURE[at.is]}
        />
      );
  }
}

const NO_FIGURE = {
  'not-measured': t('measure.notMeasuredYet'),
  'mark-without': t('measure.aMarkCantBeMeasuredYet'),
} as const;

const ScopeRow = memo(function ScopeRow({ scope, within, display, on, shown }: ScopeRowProps) {
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
    <div ref={row} className={`${styles.tallyRow} ${on ? 'on' : ''} ${shown ? '' : 'off'}`}>
      <Swatch color={scope.color} kind={scope.kind} />
      <BareButton className="cut tally-name" aria-expanded={on} title={scope.name} onClick={choose}>
        {scope.name}
      </BareButton>
      <span className={styles.tallyFigure} data-scope={scope.key}>
        <ScopeFigure scope={scope} within={within} display={display} />
        {scope.expected === undefined ? null : (
          <span className="soft"> {t('measure.ofExpected', { expected: scope.expected })}</span>
        )}
      </span>
      <IconButton
        aria-pressed={!shown}
        aria-label={`${shown ? t('measure.hide') : t('measure.show')} ${scope.name}`}
        onClick={toggle}
      >
        {shown ? <Eye size={14} /> : <EyeOff size={14} />}
      </IconButton>
    </div>
  );
});

/** The sheet at hand, to change without leaving the plan. */
function SheetChoice() {
  const jobId = useJobId();
  const sheets = useTable('sheet');
  const { sheetId } = useParams();
  const navigate = useNavigate();
  const missing = useOfJob(({ job }) => [...unscaledSheets(job).keys()]);
  const write = (sheet: Sheet): string =>
    `${sheet.number} ${sheet.title}${missing.includes(sheet) ? t('measure.noScale') : ''}`;
  if (sheets.size === 0) return null;
  return (
    <Select
      style={{ width: 176, fontWeight: 400 }}
      aria-label={t('measure.sheet')}
      value={sheetId}
      onChange={(event) => void navigate(`/job/${jobId}/measure/${encodeURIComponent(event.target.value)}`)}
    >
      {inOrder(sheets.values()).map((sheet) => (
        <option key={sheet.id} value={sheet.id}>
          {write(sheet)}
        </option>
      ))}
    </Select>
  );
}

const KINDS: readonly (readonly [kind: MarkKind, name: string, what: string])[] = [
  ['run', t('measure.run'), t('measure.wallsPipesEdges')],
  ['area', t('measure.area'), t('measure.slabsFloorsRoofs')],
  ['count', t('measure.count'), t('measure.doorsFixtures')],
  ['slope', t('measure.roofSlope'), t('measure.withItsPitchAndEdges')],
];

function NewScope() {
  const jobNow = useJobNow();
  const services = useServices();
  const actions = useJobActions();
  const setView = useSetView();
  const create = (kind: MarkKind): void => {
    const scope = newScope(jobNow(), kind, services.makeId);
    const done = actions.transact(t('measure.newScope'), put(scope));
    if (done.ok) setView({ penScope: scope.id, tool: kind });
    else tellProblem(describeProblem(done.problem));
  };
  return (
    <Menu.Root>
      <Menu.Trigger asChild>
        <IconButton aria-label={t('measure.newScope2')} title={t('measure.newScope2')}>
          <Plus size={17} />
        </IconButton>
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
  const schedules = useTable('schedule');
  const setView = useSetView();
  return (
    <div className={styles.tallyFoot}>
      <span>{t('measure.schedules')}</span>
      {inOrder(schedules.values()).map((schedule) => (
        <TextButton key={schedule.id} className="cut" onClick={() => setView({ schedule })}>
          {schedule.title}
        </TextButton>
      ))}
      <span style={{ flex: 1 }} />
      <TextButton onClick={() => setView({ tool: 'schedule' })}>{t('measure.readASchedule')}</TextButton>
    </div>
  );
}
