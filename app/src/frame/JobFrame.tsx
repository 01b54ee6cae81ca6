import { Button } from '@chakra-ui/react';
import { memo, useEffect, useMemo, useState } from 'react';
import { Link, NavLink, Outlet, useBlocker, useParams } from 'react-router';
import { Finder } from '../actions/Finder.tsx';
import { KeysDialog } from '../actions/KeysDialog.tsx';
import { useActionKeys } from '../actions/useActions.ts';
import type { Figures } from '@zest/core/calculate/figures';
import { bidTotal } from '@zest/core/calculate/totals/bidTotal';
import { formatMoney } from '@zest/core/pricing/money';
import { describeProblem } from '../messages/describeProblem.ts';
import {
  useJobActions,
  useCopies,
  useCopyActions,
  useFormats,
  useJobState,
  useLook,
  useOpenJobLater,
  useServices,
} from '../stores/context.tsx';
import { settingsOf } from '@zest/core/job/job';
import { useJobId, useOfJob } from '../stores/jobHooks.ts';
import { nameOfRaw } from '../storage/storedJob.ts';
import { Modal } from '../parts/Modal.tsx';
import { BigChangeBanner } from './BigChangeBanner.tsx';
import { WithBeside } from './Beside.tsx';
import { useExportJob } from './useExportJob.ts';
import { Head } from './Head.tsx';
import { ThroughLine } from './ThroughLine.tsx';
import { type Stage, StagesProvider, useStages } from '../stages/stage.ts';
import { t } from '../messages/t.ts';
import { layout } from '../theme/layout.ts';
import { styles } from './styles.ts';
import { firstOf, listWith } from '../messages/lists.ts';
import { quote } from '../messages/quote.ts';

/** The frame around an open job: spine, head, the stage at work, and the through-line. */
export function JobFrame() {
  const { jobId = '' } = useParams();
  const actions = useJobActions();
  const openId = useJobState((state) => state.open?.jobId);
  const missing = useJobState((state) => state.missing);
  useEffect(() => {
    void actions.openJob(jobId);
    return () => void actions.closeJob();
  }, [actions, jobId]);
  if (missing) return <MissingJob />;
  if (openId !== jobId) return <p className={layout.empty}>{t('frame.openingTheJob')}</p>;
  return <Frame />;
}

function MissingJob() {
  const refused = useJobState((state) => state.refused);
  return (
    <main className={layout.empty}>
      <h2>{refused === undefined ? t('frame.noSuchJob') : t('frame.thisJobCannotBeOpened')}</h2>
      <p>{describeProblem(refused ?? { kind: 'job-missing' })}</p>
      <p className="first">
        <Link to="/jobs">{t('frame.backToTheJobs')}</Link>
      </p>
    </main>
  );
}

/** The stages of what is open: what the company keeps has no sheets, no estimate and no bid. */
function Frame() {
  const stages = useStages();
  const isCompany = useOfJob(({ job }) => settingsOf(job).ofCompany === true);
  const shown = useMemo(
    () =>
      isCompany
        ? stages.flatMap((stage) =>
            stage.ofCompany === undefined ? [] : [{ ...stage, name: stage.ofCompany }],
          )
        : stages,
    [isCompany, stages],
  );
  return (
    <StagesProvider value={shown}>
      <FrameOfStages />
    </StagesProvider>
  );
}

function FrameOfStages() {
  useActionKeys();
  return (
    <div className={styles.frame}>
      <Spine />
      <Head />
      <main className={styles.work}>
        <SaveBanner />
        <DriftBanner />
        <BigChangeBanner />
        <AsideBanner />
        <CopiesBanner />
        <div className={styles.workSplit}>
          <WithBeside>
            <div className={styles.workMain}>
              <Outlet />
            </div>
          </WithBeside>
        </div>
      </main>
      <ThroughLine />
      <Finder />
      <KeysDialog />
      <LeaveGuard />
    </div>
  );
}

/** The stages; how much is left to do in each is counted once the change itself is on the screen. */
function Spine() {
  return <StageLinks figures={useOpenJobLater().figures} />;
}

const StageLinks = memo(function StageLinks({ figures }: { readonly figures: Figures }) {
  const stages = useStages();
  return (
    <nav className={styles.spine} aria-label={t('frame.stages')}>
      <Link
        to="/jobs"
        className={styles.spineHome}
        aria-label={t('frame.allJobs')}
        title={t('frame.allJobs')}
      >
        <svg viewBox="0 0 36 36" aria-hidden="true">
          <circle cx="18" cy="18" r="13" fill="none" stroke="#F2B705" strokeWidth="3" />
          <path d="M5 22 31 14" stroke="#F2B705" strokeWidth="3" />
          <circle cx="18" cy="18" r="2.6" fill="#F7F4EC" />
        </svg>
      </Link>
      {stages
        .filter(({ isThere }) => isThere?.(figures) !== false)
        .map((stage) =>
          stage.path === LOOK ? (
            <SecondLookLink key={stage.path} stage={stage} />
          ) : (
            <StageLink key={stage.path} stage={stage} {...(stage.todo?.(figures) ?? NOTHING)} />
          ),
        )}
    </nav>
  );
});

/** It counts its doubts by itself. */
const LOOK = 'look';
const NOTHING = { count: 0, words: '' };

interface StageLinkProps {
  readonly stage: Stage;
  readonly count: number;
  readonly words: string;
}

const StageLink = memo(function StageLink({ stage, count, words }: StageLinkProps) {
  const { path, name, icon: Icon } = stage;
  return (
    <NavLink
      to={path}
      className={path === LOOK ? `${styles.spineStage} ${styles.spineLook}` : styles.spineStage}
      title={count > 0 ? words : name}
    >
      <Icon size={20} strokeWidth={1.6} aria-hidden="true" />
      {name}
      {count > 0 ? (
        <span className={styles.spineTodo} role="img" aria-label={words}>
          {count > 99 ? '99+' : count}
        </span>
      ) : null}
    </NavLink>
  );
});

/** Below the stages: what is still doubted, as it was when the hands last rested. */
function SecondLookLink({ stage }: { readonly stage: Stage }) {
  const count = useLook()?.open.length ?? 0;
  const words = count === 0 ? '' : t('frame.toAnswer', { doubts: t('count.doubt', { count }) });
  return <StageLink stage={stage} count={count} words={words} />;
}

/** Only shown when something stands between the work and the disk. */
function SaveBanner() {
  const save = useJobState((state) => state.save);
  const readOnly = useJobState((state) => state.readOnly);
  const actions = useJobActions();
  const [behind, setBehind] = useState<string | undefined>();
  const exportJob = useExportJob();
  const takeOver = (force: boolean): void =>
    void actions
      .takeOver(force)
      .then((done) => setBehind(done.ok ? undefined : describeProblem(done.problem)));
  const failed = save.state === 'failed';
  if (!readOnly && !failed) return null;
  const lost = failed ? save.lost : undefined;
  const words = failed
    ? describeProblem(
        lost === undefined
          ? { kind: save.full ? 'disk-full' : 'storage-failed' }
          : { kind: 'save-lost', why: lost, count: actions.unsaved() },
      )
    : describeProblem({ kind: 'read-only' });
  return (
    <div className={failed ? `${layout.banner} bad` : layout.banner} role={failed ? 'alert' : 'status'}>
      {behind ?? words}
      {failed && lost === undefined ? (
        <Button size="xs" onClick={actions.retrySave}>
          {t('frame.tryAgain')}
        </Button>
      ) : null}
      {failed || behind !== undefined ? (
        <Button size="xs" variant="outline" onClick={() => void exportJob()}>
          {t('frame.exportTheJob')}
        </Button>
      ) : null}
      {readOnly && lost !== 'gone' ? (
        <Button
          size="xs"
          variant={failed ? 'outline' : 'solid'}
          onClick={() => takeOver(behind !== undefined)}
        >
          {behind === undefined ? t('frame.editHere') : t('frame.editHereAndLoseThem')}
        </Button>
      ) : null}
    </div>
  );
}

/** A bid is never another than it was without a word: not even where the program learned better. */
function DriftBanner() {
  const drift = useJobState((state) => state.drift);
  const lost = useJobState((state) => state.aside.length > 0);
  const total = useOfJob(({ figures }) => bidTotal(figures));
  const { money } = useFormats();
  const actions = useJobActions();
  if (drift === undefined) return null;
  return (
    <div className={layout.banner} role="status">
      {t(lost ? 'frame.bidDriftedByRecords' : 'frame.bidDriftedByVersion', {
        before: formatMoney(drift.fromMinor, money),
        now: formatMoney(total, money),
      })}
      <Button size="xs" onClick={actions.seeDrift}>
        {t('frame.gotIt')}
      </Button>
    </div>
  );
}

/** What could not be read of a job is told by name, and given out: somebody may know what it was. */
function AsideBanner() {
  const aside = useJobState((state) => state.aside);
  const services = useServices();
  const actions = useJobActions();
  if (aside.length === 0) return null;
  const [first, more] = firstOf(
    aside.map(({ raw }) => quote(nameOfRaw(raw))),
    3,
  );
  const names = listWith('and', more > 0 ? [...first, t('frame.andMore', { more })] : first);
  const save = (): void => {
    const text = JSON.stringify(
      aside.map(({ raw, fault }) => ({ fault, record: raw })),
      null,
      1,
    );
    services.download('set-aside.json', new Blob([text], { type: 'application/json' }));
  };
  return (
    <div className={layout.banner} role="alert">
      {t('frame.recordsSetAside', { count: aside.length, names })}
      <Button size="xs" onClick={save}>
        {t('frame.saveTheMissingRecords')}
      </Button>
      <Button size="xs" onClick={actions.seeAside}>
        {t('frame.gotIt')}
      </Button>
    </div>
  );
}

/** Copies that have stopped are told where the work is done; the job itself is saved all the same. */
function CopiesBanner() {
  const { folder, state, reason } = useCopies((copies) => copies);
  const actions = useCopyActions();
  if (state !== 'failed' && state !== 'blocked') return null;
  const blocked = state === 'blocked';
  return (
    <div className={layout.banner} role="status">
      {blocked ? t('frame.copiesToTheFolderHaveStoppedThe', { folder: folder ?? '' }) : reason}
      <Button size="xs" onClick={() => void (blocked ? actions.allow() : actions.writeNow())}>
        {blocked ? t('frame.allowIt') : t('frame.tryAgain')}
      </Button>
      <Button size="xs" variant="outline" onClick={() => void actions.forget()}>
        {t('frame.stopCopies')}
      </Button>
    </div>
  );
}

/** What is not on the disk is never dropped without a question: not by leaving the job, nor by closing the tab. */
function LeaveGuard() {
  const actions = useJobActions();
  const jobId = useJobId();
  const exportJob = useExportJob();
  const here = `/job/${jobId}/`;
  const blocker = useBlocker(
    ({ nextLocation }) => !`${nextLocation.pathname}/`.startsWith(here) && actions.unsaved() > 0,
  );
  useEffect(() => {
    const ask = (event: BeforeUnloadEvent): void => {
      if (actions.unsaved() > 0) event.preventDefault();
    };
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [actions]);
  const { state } = blocker;
  useEffect(() => {
    if (state !== 'blocked') return;
    // Most often it is only still being written.
    void actions.settled().then(() => {
      if (actions.unsaved() === 0) blocker.proceed?.();
    });
  }, [state, actions, blocker]);
  if (blocker.state !== 'blocked' || actions.unsaved() === 0) return null;
  const count = t('count.change', { count: actions.unsaved() });
  return (
    <Modal
      title={t('frame.leaveWithUnsavedChanges')}
      insists
      onClose={() => blocker.reset()}
      footer={
        <>
          <Button size="sm" variant="outline" onClick={() => blocker.proceed()}>
            {t('frame.leaveAndLose', { number: count })}
          </Button>
          <Button size="sm" variant="outline" onClick={() => void exportJob()}>
            {t('frame.exportTheJob')}
          </Button>
          <Button size="sm" onClick={() => blocker.reset()}>
            {t('frame.stay')}
          </Button>
        </>
      }
    >
      <p>{t('frame.couldNotBeSavedInThisBrowser', { number: count })}</p>
    </Modal>
  );
}
