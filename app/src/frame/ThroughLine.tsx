import { memo, useDeferredValue, useMemo } from 'react';
import { useNavigate } from 'react-router';
import { type Step, throughLine } from '@zest/core/calculate/explain/throughLine';
import type { Job } from '@zest/core/job/job';
import { failureOfStep, labelOfStep, writeStep } from '../figures/stepWords.ts';
import { describeFailure } from '../messages/describeFailure.ts';
import { useFormats, useJobActions, useJobState, useOpenJobLater, useSetView } from '../stores/context.tsx';
import { BareButton } from '../parts/buttons.tsx';
import { t } from '../messages/t.ts';
import { styles } from './styles.ts';

/** The strip that shows a number's whole way, from the marks on the sheet to the money. */
export function ThroughLine() {
  // What was selected shows itself first; how its figure came about is drawn right after.
  const selection = useDeferredValue(useJobState((state) => state.selection));
  const { figures } = useOpenJobLater();
  const steps = useMemo(
    () => (selection === undefined ? [] : throughLine(figures, selection)),
    [figures, selection],
  );
  return (
    <nav className={styles.way} aria-label={t('frame.throughLine')}>
      {steps.length === 0 ? (
        <span className={styles.wayEmpty}>{t('frame.selectAMarkALineOrThe')}</span>
      ) : (
        steps.map((step, index) => <WayStep key={index} step={step} job={figures.job} />)
      )}
    </nav>
  );
}

const WayStep = memo(function WayStep({ step, job }: { readonly step: Step; readonly job: Job }) {
  const jobId = useJobState((state) => state.open?.jobId ?? '');
  const formats = useFormats();
  const actions = useJobActions();
  const setView = useSetView();
  const navigate = useNavigate();
  const failure = failureOfStep(step.figure);
  const words = labelOfStep(step.label, formats);
  const go = (): void => {
    const { target } = step;
    const to = (path: string): void => void navigate(`/job/${jobId}/${path}`);
    if (target.type === 'item') return to(`prices?item=${encodeURIComponent(target.id)}`);
    if (target.type === 'mark' || target.type === 'scope') {
      const marks = [...job.mark.values()].filter(
        (mark) => mark.id === target.id || mark.scopeId === target.id,
      );
      setView({ selectedMarks: new Set(marks.map(({ id }) => id)), tool: 'select' });
      if (marks[0] !== undefined) to(`measure/${encodeURIComponent(marks[0].sheetId)}`);
    } else to('estimate');
    actions.select(target);
  };
  return (
    <BareButton
      className={`${styles.wayStep} ${step.here ? 'here' : ''}`}
      onClick={go}
      title={failure === undefined ? words : describeFailure(failure, job)}
      aria-current={step.here ? 'step' : undefined}
    >
      <b className={`cut ${failure === undefined ? '' : 'warn'}`}>{writeStep(step.figure, formats)}</b>
      <span className="cut">{words}</span>
    </BareButton>
  );
});
