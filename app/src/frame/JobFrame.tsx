import { Button } from '@chakra-ui/react';
import { Glasses } from 'lucide-react';
import { useEffect } from 'react';
import { Link, NavLink, Outlet, useNavigate, useParams } from 'react-router';
import { Finder } from '../actions/Finder.tsx';
import { KeysDialog } from '../actions/KeysDialog.tsx';
import { useActionKeys } from '../actions/useActions.ts';
import { describeProblem } from '../messages/describeProblem.ts';
import { plural } from '../messages/words.ts';
import { packJob } from '../storage/jobFiles.ts';
import { Later, useJobActions, useJobState, useLook, useOpenJob, useServices } from '../stores/context.tsx';
import { tellProblem } from '../components/toaster.tsx';
import { Beside } from './Beside.tsx';
import { Head } from './Head.tsx';
import { ThroughLine } from './ThroughLine.tsx';
import { STAGES } from './stages.ts';

/** The frame around an open job: spine, head, the stage at work, and the through-line. */
export function JobFrame() {
  const { jobId = '' } = useParams();
  const actions = useJobActions();
  const open = useJobState((state) => state.open);
  const missing = useJobState((state) => state.missing);
  useEffect(() => {
    void actions.openJob(jobId);
    return () => void actions.closeJob();
  }, [actions, jobId]);
  if (missing) return <MissingJob />;
  if (open?.jobId !== jobId) return <p className="empty">Opening the job…</p>;
  return <Frame />;
}

function MissingJob() {
  return (
    <main className="empty">
      <h2>No such job</h2>
      <p>{describeProblem({ kind: 'job-missing' })}</p>
      <p className="first">
        <Link to="/jobs">Back to the jobs</Link>
      </p>
    </main>
  );
}

/** One element each for ever, so that they are drawn anew only when their job is. */
const SPINE = <Spine />;
const THROUGH_LINE = <ThroughLine />;

function Frame() {
  useActionKeys();
  return (
    <div className="frame">
      <Later>{SPINE}</Later>
      <Head />
      <main className="work">
        <SaveBanner />
        <div className="work-split">
          <div className="work-main">
            <Outlet />
          </div>
          <Beside />
        </div>
      </main>
      <Later>{THROUGH_LINE}</Later>
      <Finder />
      <KeysDialog />
    </div>
  );
}

function Spine() {
  const { calculation } = useOpenJob();
  return (
    <nav className="spine" aria-label="Stages">
      <Link to="/jobs" className="spine-home" aria-label="All jobs" title="All jobs">
        <svg viewBox="0 0 36 36" aria-hidden="true">
          <circle cx="18" cy="18" r="13" fill="none" stroke="#F2B705" strokeWidth="3" />
          <path d="M5 22 31 14" stroke="#F2B705" strokeWidth="3" />
          <circle cx="18" cy="18" r="2.6" fill="#F7F4EC" />
        </svg>
      </Link>
      {STAGES.map(({ path, name, icon: Icon, todo }) => {
        const { count, words } = todo(calculation);
        return (
          <NavLink key={path} to={path} className="spine-stage" title={count > 0 ? words : name}>
            <Icon size={20} strokeWidth={1.6} aria-hidden="true" />
            {name}
            {count > 0 ? (
              <span className="spine-todo" role="img" aria-label={words}>
                {count}
              </span>
            ) : null}
          </NavLink>
        );
      })}
      <SecondLookLink />
    </nav>
  );
}

/** Below the stages: what is still doubted, as it was when the hands last rested. */
function SecondLookLink() {
  const look = useLook();
  const count = look?.open.length ?? 0;
  const words = count === 0 ? 'Second look' : `${plural(count, 'doubt')} to answer`;
  return (
    <NavLink to="look" className="spine-stage spine-look" title={words}>
      <Glasses size={20} strokeWidth={1.6} aria-hidden="true" />
      Second look
      {count > 0 ? (
        <span className="spine-todo" role="img" aria-label={words}>
          {count > 99 ? '99+' : count}
        </span>
      ) : null}
    </NavLink>
  );
}

/** Only shown when something stands between the work and the disk. */
function SaveBanner() {
  const save = useJobState((state) => state.save);
  const readOnly = useJobState((state) => state.readOnly);
  const actions = useJobActions();
  const services = useServices();
  const { jobId, job } = useOpenJob();
  const exportJob = async (): Promise<void> => {
    const packed = await packJob(services, jobId, job);
    if (packed.ok) services.download(packed.value.name, packed.value.blob);
    else tellProblem(describeProblem(packed.problem));
  };
  if (readOnly)
    return (
      <div className="banner" role="status">
        {describeProblem({ kind: 'read-only' })}
        <Button size="xs" onClick={() => void actions.takeOver()}>
          Take over
        </Button>
      </div>
    );
  if (save.state !== 'failed') return null;
  return (
    <div className="banner bad" role="alert">
      {describeProblem({ kind: save.full ? 'disk-full' : 'storage-failed' })}
      <Button size="xs" onClick={actions.retrySave}>
        Try again
      </Button>
      <Button size="xs" variant="outline" onClick={() => void exportJob()}>
        Export the job
      </Button>
    </div>
  );
}

/** Where a selection is best looked at. */
export function useGoTo(): (path: string) => void {
  const navigate = useNavigate();
  const { jobId } = useOpenJob();
  return (path) => void navigate(`/job/${jobId}/${path}`);
}
