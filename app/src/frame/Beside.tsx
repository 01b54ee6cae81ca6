import { type ReactNode, Suspense, lazy } from 'react';
import { X } from 'lucide-react';
import { useLocation } from 'react-router';
import type { Id } from '@zest/core/job/id';
import { type Job, inOrder } from '@zest/core/job/job';
import { IconAction } from '../parts/IconAction.tsx';
import { useSetView, useView } from '../stores/context.tsx';
import { useRecord, useTables } from '../stores/jobHooks.ts';
import type { Beside as BesideWhat } from '../stores/viewStore.ts';
import { TextButton } from '../parts/buttons.tsx';
import { Select } from '../parts/fields.tsx';
import { Panes } from '../parts/Panes.tsx';
import { t } from '../messages/t.ts';
import { styles } from './styles.ts';
import { layout } from '../theme/layout.ts';

const SheetPane = lazy(() => import('../workspace/SheetPane.tsx').then((m) => ({ default: m.SheetPane })));
const EstimateStage = lazy(() =>
  import('../stages/estimate/EstimateStage.tsx').then((m) => ({ default: m.EstimateStage })),
);

const ReportPane = lazy(() =>
  import('../stages/reports/ReportPane.tsx').then((m) => ({ default: m.ReportPane })),
);

/** The report a person sees first beside a sheet; another is chosen there. */
const PIECES = 'tape-by-sheet';

/** Stages that something can stand beside. */
const STAGES_WITH_ROOM = /\/(measure|estimate)(\/|$)/;

const keyOf = (what: BesideWhat | undefined): string =>
  what === undefined ? '' : what.is === 'estimate' ? 'estimate' : `${what.is} ${what.id}`;

const readKey = (key: string): BesideWhat | undefined => {
  const [is = '', id = ''] = key.split(' ');
  if (is === 'estimate') return { is };
  return is === 'sheet' || is === 'schedule' || is === 'report' ? { is, id } : undefined;
};

type Shown = Pick<Job, 'sheet' | 'schedule'>;

function Options({ job }: { readonly job: Shown }) {
  return (
    <>
      <option value="estimate">{t('frame.estimate')}</option>
      <option value={`report ${PIECES}`}>{t('frame.aReport')}</option>
      {job.schedule.size === 0 ? null : (
        <optgroup label={t('frame.schedules')}>
          {inOrder(job.schedule.values()).map(({ id, title }) => (
            <option key={id} value={`schedule ${id}`}>
              {title}
            </option>
          ))}
        </optgroup>
      )}
      <optgroup label={t('frame.sheets')}>
        {inOrder(job.sheet.values()).map(({ id, number, title }) => (
          <option key={id} value={`sheet ${id}`}>
            {number} {title}
          </option>
        ))}
      </optgroup>
    </>
  );
}

/** Sets a sheet, a schedule or the estimate beside what is being worked on. */
export function BesideChoice() {
  const job = useTables('sheet', 'schedule');
  const what = useView((state) => state.beside);
  const setView = useSetView();
  const { pathname } = useLocation();
  if (!STAGES_WITH_ROOM.test(pathname)) return null;
  return (
    <Select
      small
      className={styles.besideChoice}
      aria-label={t('frame.splitView')}
      value={keyOf(what)}
      onChange={(event) => setView({ beside: readKey(event.target.value) })}
    >
      <option value="">{t('frame.splitViewOff')}</option>
      <Options job={job} />
    </Select>
  );
}

/** The work, and what the split view shows beside it. */
export function WithBeside({ children }: { readonly children: ReactNode }) {
  const isShown = useView((state) => state.beside !== undefined);
  const { pathname } = useLocation();
  return (
    <Panes
      name="beside"
      usual="40%"
      side={isShown && STAGES_WITH_ROOM.test(pathname) ? <Beside /> : undefined}
    >
      {children}
    </Panes>
  );
}

/** What the split view shows, with a zoom or a scroll of its own. */
function Beside() {
  const job = useTables('sheet', 'schedule');
  const what = useView((state) => state.beside);
  const setView = useSetView();
  if (what === undefined) return null;
  return (
    <aside className={styles.beside} aria-label={t('frame.beside')}>
      <div className={styles.besideHead}>
        <Select
          aria-label={t('frame.whatTheSplitViewShows')}
          value={keyOf(what)}
          onChange={(event) => setView({ beside: readKey(event.target.value) })}
        >
          <Options job={job} />
        </Select>
        <IconAction
          label={t('frame.closeTheSplitView')}
          icon={X}
          onClick={() => setView({ beside: undefined })}
        />
      </div>
      <Suspense fallback={null}>
        <Content what={what} job={job} />
      </Suspense>
    </aside>
  );
}

function Content({ what, job }: { readonly what: BesideWhat; readonly job: Shown }) {
  if (what.is === 'estimate') return <EstimateStage />;
  if (what.is === 'report') return <ReportPane />;
  if (what.is === 'sheet') {
    const sheet = job.sheet.get(what.id as Id<'sheet'>);
    return sheet === undefined ? <Gone /> : <SheetPane key={sheet.id} sheet={sheet} />;
  }
  return <ScheduleTable id={what.id} />;
}

const Gone = () => <p className={layout.empty}>{t('frame.itHasBeenDeletedFromTheJob')}</p>;

/** A schedule to read while measuring; a click on its title opens it to be corrected. */
function ScheduleTable({ id }: { readonly id: string }) {
  const setView = useSetView();
  const schedule = useRecord(id as Id<'schedule'>);
  if (schedule === undefined) return <Gone />;
  return (
    <div className={styles.besideSchedule}>
      <TextButton onClick={() => setView({ schedule })}>{t('frame.fixItOrMakeScopesFromIts')}</TextButton>
      <table>
        <thead>
          <tr>
            {schedule.columns.map((column, index) => (
              <th key={index}>{column}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {schedule.rows.map((row, index) => (
            <tr key={index}>
              {schedule.columns.map((_, column) => (
                <td key={column}>{row[column] ?? ''}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
