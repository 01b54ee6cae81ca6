import { COST_KINDS } from '../records/assembly.ts';
import type { Migration, RawRecord } from './migration.ts';

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const isNumber = (value: unknown): boolean =>
  typeof value === 'string' && value !== '' && Number(value) !== 0;

/** True where more is bought than is worked, so that it matters what the rest is figured on. */
const isRaised = (component: Readonly<Record<string, unknown>>): boolean =>
  ['wastePercent', 'spares', 'roundUpTo', 'minimum'].some((field) => isNumber(component[field]));

function keepAll(component: unknown): unknown {
  if (!isObject(component) || 'wasteOn' in component || !isRaised(component)) return component;
  return { ...component, wasteOn: [...COST_KINDS] };
}

const migrate = (records: readonly RawRecord[]): readonly RawRecord[] =>
  records.map((record) => {
    const { type, components } = record;
    return type === 'assembly' && Array.isArray(components)
      ? { ...record, components: components.map(keepAll) }
      : record;
  });

/**
 * Since version 6 hours and equipment are for what is worked, and waste is bought for material alone. Before, all that
 * a component costs was for what is bought: it says so now, and a bid stays what it was.
 */
export const waste: Migration = { from: 5, name: 'waste', migrate };
