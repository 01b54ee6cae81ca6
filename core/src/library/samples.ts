import type { Settings } from '../job/records/settings.ts';

/** What samples are said to be in: a figure of one currency is never passed off as one of another. */
const SAMPLE_CURRENCIES = { us: 'USD', metric: 'EUR' } as const;

/** True where samples can be had: in the currency they are made up in. */
export const hasSamples = ({ unitSystem, currency }: Pick<Settings, 'unitSystem' | 'currency'>): boolean =>
  SAMPLE_CURRENCIES[unitSystem] === currency;

interface Priced {
  readonly material: string;
  readonly equipment: string;
  readonly subcontract: string;
  readonly other: string;
  readonly supplier: string;
  readonly date: string;
}

/**
 * An item that ships, with its sample price or with none. It says in both cases where it is from, so that a price may
 * follow once there are samples in the currency of the job; nobody's name stands beside it.
 */
export const samplePrice = <Item extends Priced>(
  item: Item,
  isPriced: boolean,
): Item & { readonly sample: true } =>
  isPriced
    ? { ...item, supplier: '', date: '', sample: true }
    : {
        ...item,
        material: '',
        equipment: '',
        subcontract: '',
        other: '',
        supplier: '',
        date: '',
        sample: true,
      };

/** What an hour of a craft that ships costs as a sample, or nothing yet. */
export const sampleWage = (
  wage: string,
  isPriced: boolean,
): { readonly wage: string; readonly sample: true } => ({
  wage: isPriced ? wage : '',
  sample: true,
});
