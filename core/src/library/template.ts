import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { lineNode } from '../calculate/graph/nodes.ts';
import { parseFormula } from '../formula/parse.ts';
import { listReferences } from '../formula/references.ts';
import { isMeasure } from '../job/measures.ts';
import type { Job } from '../job/job.ts';
import { createJob, listRecords, settingsOf } from '../job/job.ts';
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

/** What was drawn and decided, sent, asked and ordered is of the one job. */
const GONE = new Set([
  'file',
  'sheet',
  'mark',
  'opening',
  'piece',
  'schedule',
  'acceptance',
  'zone',
  'version',
  'request',
  'offer',
  'purchaseOrder',
  'stock',
]);

/** Named figures that flow from what is measured, through whatever other named figures. */
function flowingFigures(job: Job): ReadonlySet<string> {
  const flowing = new Set<string>();
  for (let before = -1; before !== flowing.size;) {
    before = flowing.size;
    for (const { key, formula } of job.quantity.values()) if (flows(job, formula, flowing)) flowing.add(key);
  }
  return flowing;
}

/**
 * A formula goes on flowing from what will be measured; anything else is a figure of the old job:
 * `12 ft`, `96 ft + 2 * 8 ft`, and what only rests on named figures or on properties of scopes.
 */
function flows(job: Job, formula: string, named: ReadonlySet<string>): boolean {
  const parsed = parseFormula(formula);
  if (!parsed.ok) return false;
  return listReferences(parsed.value).some((reference) => {
    if (reference.type === 'name') return named.has(reference.name);
    if (isMeasure(reference.measure)) return true;
    // A property of a count is taken so often as the count is there; of a run or an area it is what it is.
    return [...job.scope.values()].some(({ key, kind }) => key === reference.scope && kind === 'count');
  });
}

function lineOf(job: Job, line: Line, named: ReadonlySet<string>, choices: TemplateChoices): Line {
  const { pinned: _pinned, unconfirmed: _unconfirmed, source: _source, alternate, ...kept } = line;
  return {
    ...kept,
    quantity: !choices.quantities && !flows(job, line.quantity, named) ? '0' : line.quantity,
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
  const kept = keptOf(job, name, choices);
  return choices.quantities ? kept : emptied(kept);
}

/**
 * Lines that come to something with nothing measured hold a figure of the old job inside a formula that
 * flows, as `count(doors) - 3`: they start at zero.
 */
function emptied(records: readonly JobRecord[]): readonly JobRecord[] {
  const calculation = new Calculation(createJob(records));
  return records.map((record) => {
    if (record.type !== 'line') return record;
    const quantity = knownValue(calculation.figure(lineNode(record.id, 'quantity')));
    return quantity === undefined || quantity === 0 ? record : { ...record, quantity: '0' };
  });
}

function keptOf(job: Job, name: string, choices: TemplateChoices): readonly JobRecord[] {
  const named = flowingFigures(job);
  return [...listRecords(job)].flatMap((record): readonly JobRecord[] => {
    if (GONE.has(record.type)) return [];
    switch (record.type) {
      case 'settings': {
        const blank = choices.client ? {} : { client: '', clientAddress: '', location: '' };
        return [{ ...settingsOf(job), ...blank, name, bidDate: '' }];
      }
      case 'line':
        return [lineOf(job, record, named, choices)];
      case 'scope':
        return [scopeOf(record, choices)];
      case 'item':
        return [choices.prices ? record : withoutPrices(record)];
      case 'override': {
        const { pinned: _pinned, alternate, ...kept } = record;
        const held = choices.alternates && alternate !== undefined ? { ...kept, alternate } : kept;
        return [choices.prices ? held : { ...held, costs: {} }];
      }
      case 'document':
        // Pictures and sheets are files of the job.
        return [
          { ...record, blocks: record.blocks.filter(({ kind }) => kind !== 'picture' && kind !== 'sheet') },
        ];
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
