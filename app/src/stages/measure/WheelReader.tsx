import { useEffect, useState } from 'react';
import { put } from '@zest/core/job/change';
import { orderAfter } from '@zest/core/job/job';
import type { Scope } from '@zest/core/job/records/scope';
import { tellProblem } from '../../parts/toaster.tsx';
import { type WheelNews, listenToWheel } from '../../platform/wheel.ts';
import { useStores } from '../../stores/context.tsx';
import { TextButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

const STATES: Readonly<Record<'asking' | 'here' | 'away', string>> = {
  asking: t('measure.lookingForTheWheel'),
  here: t('measure.listeningToTheWheel'),
  away: t('measure.noWheelAnswers'),
};

/** Takes readings of a measuring wheel into a scope of runs, while it is told to. */
export function WheelReader({ scope }: { readonly scope: Scope }) {
  const stores = useStores();
  const [listening, setListening] = useState(false);
  const [state, setState] = useState<'asking' | 'here' | 'away'>('asking');
  const { id } = scope;
  useEffect(() => {
    if (!listening) return undefined;
    const { jobs, services } = stores;
    const hear = (news: WheelNews): void => {
      if (news.is === 'here' || news.is === 'away') return setState(news.is);
      if (news.is === 'garbled') return tellProblem(t('measure.theMeasuringWheelSentSomethingThatIsnt'));
      const open = jobs.getState().open;
      if (open === undefined) return;
      const pieces = open.figures.piecesOf(id);
      jobs.actions.transact(
        t('measure.readingOfTheWheel'),
        put({
          type: 'piece',
          id: services.makeId('piece'),
          scopeId: id,
          text: `${news.lengthM} m`,
          unit: 'm',
          note: 'wheel',
          source: 'wheel',
          order: orderAfter(pieces),
        }),
      );
    };
    return listenToWheel(hear);
  }, [listening, stores, id]);
  if (scope.kind !== 'run') return null;
  return (
    <div className={styles.wheel}>
      <TextButton
        aria-pressed={listening}
        onClick={() => {
          setState('asking');
          setListening(!listening);
        }}
      >
        {listening ? t('measure.stopReadingTheWheel') : t('measure.readTheWheel')}
      </TextButton>
      {listening ? (
        <span className={state === 'away' ? 'warn' : 'soft'} role="status">
          {STATES[state]},{' '}
          <a className="link" href="/wheel/" target="_blank" rel="noreferrer">
            {t('measure.itsWindow')}
          </a>
        </span>
      ) : null}
    </div>
  );
}
