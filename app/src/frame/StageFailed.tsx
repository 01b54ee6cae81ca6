import { Button } from '@chakra-ui/react';
import { Link, useLocation, useNavigate, useRouteError } from 'react-router';
import { tellRefused } from '../stores/tellRefused.ts';
import { useJobActions, useJobState } from '../stores/context.tsx';
import { useExportJob } from './useExportJob.ts';
import { t } from '../messages/t.ts';
import { layout } from '../theme/layout.ts';

/** In place of a page that stopped by a mistake of the program: what happened, and the ways on. */
export function StageFailed() {
  const isOpen = useJobState(({ open }) => open !== undefined);
  return (
    <div className={layout.empty} role="alert">
      <h2>{t('frame.thisPageStoppedWorking')}</h2>
      <p>{t('frame.somethingWentWrongInTheProgramNot', { value: useReason() })}</p>
      {isOpen ? <WaysOn /> : null}
      <p className="first">
        <Link to="/jobs">{t('frame.backToTheJobs')}</Link>
      </p>
    </div>
  );
}

const short = (text: string, limit: number): string =>
  text.length > limit ? `${text.slice(0, limit)}…` : text;

function useReason(): string {
  const error = useRouteError();
  const text = error instanceof Error ? error.message : String(error);
  return short(text, 160);
}

function WaysOn() {
  const actions = useJobActions();
  const last = useJobState(({ open }) => open?.history.done.at(-1)?.label);
  const exportJob = useExportJob();
  const navigate = useNavigate();
  const here = useLocation();
  // The page is drawn again once it is gone to again.
  const again = (): void => void navigate(here, { replace: true });
  return (
    <p style={{ display: 'flex', gap: 8, justifyContent: 'center', flexWrap: 'wrap', marginTop: 12 }}>
      <Button size="sm" onClick={() => void exportJob()}>
        {t('frame.exportTheJob')}
      </Button>
      <Button size="sm" variant="outline" onClick={again}>
        {t('frame.tryAgain')}
      </Button>
      {last === undefined ? null : (
        <Button
          size="sm"
          variant="outline"
          onClick={() => {
            tellRefused(actions.undo());
            again();
          }}
        >
          {t('frame.goBackToBefore', { last: short(last, 40) })}
        </Button>
      )}
    </p>
  );
}
