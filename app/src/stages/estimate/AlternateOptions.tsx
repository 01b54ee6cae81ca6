import { inOrder } from '@zest/core/job/job';
import type { PlaceInAlternate } from '@zest/core/job/records/alternate';
import type { Id } from '@zest/core/job/id';
import { useOpenJob } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';

/** The choice of a list as a place in an alternate; undefined for the base bid. */
export function readPlace(choice: string): PlaceInAlternate | undefined {
  const [as = '', id = ''] = choice.split(' ');
  return as === 'adds' || as === 'drops' ? { as, id: id as Id<'alternate'> } : undefined;
}

export const writePlace = (place: PlaceInAlternate | undefined): string =>
  place === undefined ? 'base' : `${place.as} ${place.id}`;

/** The base bid, and each alternate as what comes with it and what goes with it. */
export function AlternateOptions() {
  const { job } = useOpenJob();
  return (
    <>
      <option value="base">{t('estimate.inTheBaseBid')}</option>
      {inOrder(job.alternate.values()).flatMap(({ id, name }) => [
        <option key={`adds ${id}`} value={`adds ${id}`}>
          {t('estimate.comesWith', { name })}
        </option>,
        <option key={`drops ${id}`} value={`drops ${id}`}>
          {t('estimate.goesWith', { name })}
        </option>,
      ])}
    </>
  );
}
