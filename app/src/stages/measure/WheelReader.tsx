import { useEffect, useState } from 'react';
import { put } from '@zest/core/job/change';
import { orderAfter } from '@zest/core/job/job';
import type { Scope } from '@zest/core/job/records/scope';
import { tellProblem } from '../../components/toaster.tsx';
import { type WheelNews, listenToWheel } from '../../platform/wheel.ts';
import { useStores } from '../../stores/context.tsx';
import { TextButton } from '../../parts/buttons.tsx';

const STATES: Readonly<Record<'asking' | 'here' | 'away', string>> = {
  asking: 'looking for the wheel …',
  here: 'listening to the wheel',
  away: 'no wheel answers',
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
      if (news.is === 'garbled')
        return tellProblem(
          'The measuring wheel sent something that isn’t a length, so it was ignored. Check its battery and roll again.',
        );
      const open = jobs.getState().open;
      if (open === undefined) return;
      const pieces = open.figures.piecesOf(id);
      jobs.actions.transact(
        'reading of the wheel',
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
    <div className="wheel">
      <TextButton
        aria-pressed={listening}
        onClick={() => {
          setState('asking');
          setListening(!listening);
        }}
      >
        {listening ? 'Stop reading the wheel' : 'Read the wheel'}
      </TextButton>
      {listening ? (
        <span className={state === 'away' ? 'warn' : 'soft'} role="status">
          {STATES[state]},{' '}
          <a className="link" href="/wheel/" target="_blank" rel="noreferrer">
            its window
          </a>
        </span>
      ) : null}
    </div>
  );
}
