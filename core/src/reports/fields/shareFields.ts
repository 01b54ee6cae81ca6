import type { CraftShare } from '../hoursByCraft.ts';
import type { PlaceShare } from '../placeShares.ts';
import { burdenedWage } from '../../pricing/labor.ts';
import type { Id } from '../../job/id.ts';
import type { Field } from './field.ts';
import { unitOfRow } from './lineFields.ts';

/** What of a line lies in one level and zone. */
export const PLACE_FIELDS = {
  quantity: {
    kind: 'quantity',
    read: ({ row, quantity }) => ({ kind: 'quantity', value: quantity, unit: unitOfRow(row) }),
  },
  share: { kind: 'percent', read: ({ share }) => ({ kind: 'percent', value: share * 100 }) },
  cost: { kind: 'money', read: ({ cost }) => ({ kind: 'money', minor: cost }) },
  price: { kind: 'money', spread: true, read: ({ price }) => ({ kind: 'money', minor: price }) },
  hours: { kind: 'quantity', read: ({ hours }) => ({ kind: 'quantity', value: hours, unit: 'h' }) },
} as const satisfies Readonly<Record<string, Field<PlaceShare>>>;

/** What one craft works of a line. */
export const HOURS_FIELDS = {
  hours: { kind: 'quantity', read: ({ hours }) => ({ kind: 'quantity', value: hours, unit: 'h' }) },
  days: {
    kind: 'quantity',
    read: ({ hours, crewId }, { figures }) => {
      const crew = crewId === undefined ? undefined : figures.job.crew.get(crewId as Id<'crew'>);
      const day = Number(crew?.dayHours ?? '') || 8;
      return { kind: 'quantity', value: hours / day, unit: 'day' };
    },
  },
  wages: {
    kind: 'rate',
    read: ({ hours, craftId }, { figures }) => {
      const craft = figures.job.craft.get(craftId as Id<'craft'>);
      if (craft === undefined || craft.wage === '') return undefined;
      return { kind: 'rate', amount: burdenedWage(craft) * hours, per: '' };
    },
  },
} as const satisfies Readonly<Record<string, Field<CraftShare>>>;
