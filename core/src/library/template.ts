import type { Job } from '../job/job.ts';
import { listRecords, settingsOf } from '../job/job.ts';
import type { JobRecord } from '../job/record.ts';
import type { Line } from '../job/records/line.ts';
import type { Scope } from '../job/records/scope.ts';

/** What of a job is kept in a template. What is measured, and the sheets, never are. */
export interface TemplateChoices {
  /** Quantities that were typed on lines stay; else they are zero. */
  readonly quantities: boolean;
  readonly prices: boolean;
  /** Quotes and who gave them, with the ones that were taken. */
  readonly quotes: boolean;
  readonly alternates: boolean;
  readonly client: boolean;
}

export const USUAL_TEMPLATE: TemplateChoices = {
  quantities: false,
  prices: true,
  quotes: false,
  alternates: false,
  client: false,
};

const GONE = new Set(['file', 'sheet', 'mark', 'opening', 'piece', 'schedule', 'acceptance', 'zone']);

/** A formula goes on flowing from what will be measured; a figure is of the old job. */
const isFigure = (quantity: string): boolean => /^[\d.,\s+*/()-]*$/.test(quantity);

function lineOf(line: Line, choices: TemplateChoices): Line {
  const { pinned: _pinned, unconfirmed: _unconfirmed, source: _source, alternate, ...kept } = line;
  return {
    ...kept,
    quantity: !choices.quantities && isFigure(line.quantity) ? '0' : line.quantity,
    ...(choices.alternates && alternate !== undefined ? { alternate } : {}),
    ...(choices.prices ? {} : { typedCost: null, costs: {} }),
  };
}

function scopeOf({ alternate, dueOn, ...scope }: Scope, choices: TemplateChoices): Scope {
  return {
    ...scope,
    ...(choices.alternates && alternate !== undefined ? { alternate } : {}),
    ...(dueOn === undefined ? {} : { dueOn }),
  };
}

/** The records a template keeps: what must come out, with nothing measured in it. */
export function templateOf(job: Job, name: string, choices: TemplateChoices): readonly JobRecord[] {
  return [...listRecords(job)].flatMap((record): readonly JobRecord[] => {
    if (GONE.has(record.type)) return [];
    switch (record.type) {
      case 'settings': {
        const blank = choices.client ? {} : { client: '', clientAddress: '', location: '' };
        return [{ ...settingsOf(job), ...blank, name, bidDate: '' }];
      }
      case 'line':
        return [lineOf(record, choices)];
      case 'scope':
        return [scopeOf(record, choices)];
      case 'item':
        return [choices.prices ? record : withoutPrices(record)];
      case 'override': {
        const { pinned: _pinned, alternate, ...kept } = record;
        const held = choices.alternates && alternate !== undefined ? { ...kept, alternate } : kept;
        return [choices.prices ? held : { ...held, costs: {} }];
      }
      case 'alternate':
        return choices.alternates ? [{ ...record, accepted: false }] : [];
      case 'quote':
        return choices.quotes ? [record] : [];
      case 'package': {
        const { alternate, ...kept } = record;
        const held = choices.alternates && alternate !== undefined ? { ...kept, alternate } : kept;
        return [choices.quotes ? held : { ...held, takenId: null }];
      }
      default:
        return [record];
    }
  });
}

const withoutPrices = (item: Extract<JobRecord, { type: 'item' }>): JobRecord => ({
  ...item,
  material: '',
  equipment: '',
  subcontract: '',
  other: '',
  date: '',
});
