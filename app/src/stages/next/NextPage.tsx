import { Button } from '@chakra-ui/react';
import { Check } from 'lucide-react';
import { useNavigate } from 'react-router';
import { type NextStep, type StepName, whatNext } from '@zest/core/reports/whatNext';
import { t } from '../../messages/t.ts';
import { useLook, useOpenJobLater } from '../../stores/context.tsx';
import { useJobId } from '../../stores/jobHooks.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

interface StepWords {
  readonly head: string;
  readonly how: string;
  readonly button: string;
  readonly path: string;
  /** What is done of it, or left. */
  readonly said: (count: number) => string;
}

const WORDS: Readonly<Record<StepName, StepWords>> = {
  sheets: {
    head: t('next.sheets'),
    how: t('next.howSheets'),
    button: t('next.addDrawings'),
    path: 'sheets',
    said: (count) => t('count.sheet', { count }),
  },
  scale: {
    head: t('next.scale'),
    how: t('next.howScale'),
    button: t('next.setTheScale'),
    path: 'measure',
    said: (count) => t('next.sheetsWithScale', { count }),
  },
  scopes: {
    head: t('next.scopes'),
    how: t('next.howScopes'),
    button: t('next.openTheLibrary'),
    path: 'library',
    said: (count) => t('count.scope', { count }),
  },
  measure: {
    head: t('next.measure'),
    how: t('next.howMeasure'),
    button: t('next.startMeasuring'),
    path: 'measure',
    said: (count) => t('next.scopesMeasured', { count }),
  },
  price: {
    head: t('next.price'),
    how: t('next.howPrice'),
    button: t('next.openTheEstimate'),
    path: 'estimate',
    said: (count) => (count === 0 ? '' : t('next.linesWithoutPrice', { count })),
  },
  check: {
    head: t('next.check'),
    how: t('next.howCheck'),
    button: t('next.takeASecondLook'),
    path: 'look',
    said: (count) => (count === 0 ? '' : t('count.doubt', { count })),
  },
  bid: {
    head: t('next.bid'),
    how: t('next.howBid'),
    button: t('next.openTheBid'),
    path: 'bid',
    said: () => '',
  },
};

/** The way from drawings to a bid, with what is done of it; gone once the bid is dated. */
export function NextPage() {
  const { figures } = useOpenJobLater();
  const doubts = useLook()?.open.length;
  const steps = whatNext(figures, doubts);
  const now = steps.find(({ isDone }) => !isDone)?.name;
  return (
    <div className={layout.stage}>
      <div className={layout.bar}>
        <h1>{t('next.whatComesNext')}</h1>
        <span className="soft">{t('next.goesAwayByItself')}</span>
      </div>
      <ol className={`${layout.scroll} ${styles.steps}`} tabIndex={0} aria-label={t('next.steps')}>
        {steps.map((step, at) => (
          <Step key={step.name} step={step} place={at + 1} isNow={step.name === now} />
        ))}
      </ol>
    </div>
  );
}

interface StepProps {
  readonly step: NextStep;
  readonly place: number;
  readonly isNow: boolean;
}

function Step({ step: { name, isDone, count }, place, isNow }: StepProps) {
  const navigate = useNavigate();
  const jobId = useJobId();
  const { head, how, button, path, said } = WORDS[name];
  const words = count === 0 && !isDone && name !== 'price' ? '' : said(count);
  return (
    <li className={styles.step} aria-current={isNow ? 'step' : undefined}>
      <span className={isDone ? styles.done : styles.place}>
        {isDone ? <Check size={15} aria-label={t('next.done')} /> : place}
      </span>
      <div>
        <h2>
          {head} {words === '' ? null : <span className="soft">{words}</span>}
        </h2>
        <p className="soft">{how}</p>
      </div>
      <Button
        size="sm"
        variant={isNow ? 'solid' : 'outline'}
        onClick={() => void navigate(`/job/${jobId}/${path}`)}
      >
        {button}
      </Button>
    </li>
  );
}
