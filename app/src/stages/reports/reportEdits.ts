import { type Command, put, sequence } from '@zest/core/job/change';
import { changeLines } from '@zest/core/job/commands/changeLines';
import type { Item } from '@zest/core/job/records/item';
import type { Scope } from '@zest/core/job/records/scope';
import type { Sheet } from '@zest/core/job/records/sheet';
import type { MakeId } from '@zest/core/job/id';
import { keepTyped } from '@zest/core/formula/readTyped';
import type { PricedRow } from '@zest/core/estimate/rows';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import { own } from '@zest/core/job/own';
import { type Owners, partsOf } from '@zest/core/reports/fields/fields';
import type { OpenReport } from '@zest/core/reports/openReport';
import type { Problem } from '../../messages/describeProblem.ts';
import type { Formats } from '../../stores/context.tsx';
import type { OpenJob } from '../../stores/jobStore.ts';
import { isEditable } from '../estimate/editRow.ts';
import { readEdits } from '../estimate/readEdits.ts';
import { editItem } from '../prices/bookColumns.tsx';

/** Fields of a line that are typed in the estimate, by the column they are typed in there. */
const LINE_COLUMNS: Readonly<Record<string, string>> = {
  'line.description': 'description',
  'line.cost_code': 'cost-code',
  'line.quantity': 'quantity',
  'line.unit': 'unit',
  'line.waste': 'waste',
  'line.note': 'note',
  'line.material': 'material',
  'line.labor': 'labor',
  'line.equipment': 'equipment',
  'line.subcontract': 'subcontract',
  'line.other': 'other',
  'line.hours': 'hours',
  'line.unit_material': 'unit-material',
  'line.unit_labor': 'unit-labor',
  'line.unit_equipment': 'unit-equipment',
  'line.unit_subcontract': 'unit-subcontract',
  'line.unit_other': 'unit-other',
  'line.unit_hours': 'unit-hours',
  'item.code': 'code',
};

/** Fields of an item that are typed in the price book, by the column they are typed in there. */
const ITEM_COLUMNS: Readonly<Record<string, string>> = {
  'item.code': 'code',
  'item.description': 'description',
  'item.unit': 'unit',
  'item.material': 'material',
  'item.equipment': 'equipment',
  'item.subcontract': 'subcontract',
  'item.other': 'other',
  'item.hours': 'laborHours',
  'item.supplier': 'supplier',
  'item.price_date': 'date',
  'item.group': 'group',
  'item.tags': 'tags',
  'part.supplier': 'supplier',
};

const SHEET_TEXTS: Readonly<Record<string, 'number' | 'title' | 'discipline'>> = {
  'sheet.number': 'number',
  'sheet.title': 'title',
  'sheet.discipline': 'discipline',
};

/** A cell of a report that was typed into. */
export interface ReportEdit {
  /** The row, as a place in the report's rows. */
  readonly at: number;
  readonly field: string;
  readonly text: string;
}

/** What a row is, or belongs to, under a name. */
function ownerOf<Name extends keyof Owners>(
  open: OpenReport,
  at: number,
  name: Name,
): Owners[Name] | undefined {
  const find = own(open.source.owners, name) as
    ((row: unknown, context: OpenReport['context']) => Owners[Name] | undefined) | undefined;
  return find?.(open.rowOf(at), open.context);
}

/** A row of the estimate: its item's code is chosen there, and is no change of the price book. */
const lineOf = (open: OpenReport, at: number, field: string): PricedRow | undefined =>
  open.source.own.includes('line') && own(LINE_COLUMNS, field) !== undefined
    ? ownerOf(open, at, 'line')
    : undefined;

/** Prices of the book are shown for one unit: of an item that is priced by the hundred they are typed in the book. */
const PRICES = new Set(['item.material', 'item.equipment', 'item.subcontract', 'item.other']);

/** The item a cell is of; the code of a line's item is the line's own choice. */
function itemOf(open: OpenReport, at: number, field: string): Item | undefined {
  if (own(ITEM_COLUMNS, field) === undefined) return undefined;
  if (open.source.own.includes('line') && field === 'item.code') return undefined;
  const item = ownerOf(open, at, 'item');
  return item !== undefined && PRICES.has(field) && item.basis !== 1 ? undefined : item;
}

/** Whether a cell stands for something that is typed; else it follows from others. */
export function canEdit(open: OpenReport, at: number, field: string): boolean {
  const line = lineOf(open, at, field);
  if (line !== undefined) return isEditable(line, LINE_COLUMNS[field] ?? '');
  if (itemOf(open, at, field) !== undefined) return true;
  if (field === 'scope.name' || field === 'scope.location') return ownerOf(open, at, 'scope') !== undefined;
  if (own(SHEET_TEXTS, field) !== undefined) return ownerOf(open, at, 'sheet') !== undefined;
  const [owner, key] = partsOf(field);
  if (owner !== 'property') return false;
  return ownerOf(open, at, 'scope')?.properties.some((each) => each.key === key) === true;
}

interface EditMeans {
  readonly open: OpenJob;
  readonly formats: Formats;
  readonly makeId: MakeId;
}

/** Records as several edits leave them. */
interface Changed {
  readonly items: Map<string, Item>;
  readonly scopes: Map<string, Scope>;
  readonly sheets: Map<string, Sheet>;
}

/** What was typed into cells of a report, as one change through the one door, or why one of them cannot be. */
export function readReportEdits(
  report: OpenReport,
  edits: readonly ReportEdit[],
  { open, formats, makeId }: EditMeans,
): Result<Command, Problem> {
  const lines: { readonly row: PricedRow; readonly column: string; readonly text: string }[] = [];
  const changed: Changed = { items: new Map(), scopes: new Map(), sheets: new Map() };
  for (const edit of edits) {
    const row = lineOf(report, edit.at, edit.field);
    if (row !== undefined) {
      lines.push({ row, column: LINE_COLUMNS[edit.field] ?? '', text: edit.text });
      continue;
    }
    const problem = editRecord(report, edit, changed, { open, formats, makeId });
    if (problem !== undefined) return refuse(problem);
  }
  const read = readEdits(open, formats.numbers, lines);
  if (!read.ok) return read;
  const records = [...changed.items.values(), ...changed.scopes.values(), ...changed.sheets.values()];
  return accept(
    sequence(put(...read.value.lines.values(), ...records), changeLines(read.value.changes, makeId)),
  );
}

/** Changes a record besides lines; gives what is wrong with what was typed. */
function editRecord(
  report: OpenReport,
  { at, field, text }: ReportEdit,
  { items, scopes, sheets }: Changed,
  { open, formats }: EditMeans,
): Problem | undefined {
  const item = itemOf(report, at, field);
  if (item !== undefined) {
    const edited = editItem(items.get(item.id) ?? item, ITEM_COLUMNS[field] ?? '', text, formats, open.job);
    if (!edited.ok) return edited.problem;
    items.set(item.id, edited.value);
    return undefined;
  }
  const textOf = own(SHEET_TEXTS, field);
  const sheet = textOf === undefined ? undefined : ownerOf(report, at, 'sheet');
  if (sheet !== undefined && textOf !== undefined) {
    sheets.set(sheet.id, { ...(sheets.get(sheet.id) ?? sheet), [textOf]: text.trim() });
    return undefined;
  }
  const scope = ownerOf(report, at, 'scope');
  if (scope === undefined) return undefined;
  const now = scopes.get(scope.id) ?? scope;
  const [owner, key] = partsOf(field);
  if (owner !== 'property') {
    scopes.set(scope.id, { ...now, [key]: text.trim() });
    return undefined;
  }
  const kept = keepTyped(text, formats.numbers);
  if (!kept.ok) return kept.problem;
  const properties = now.properties.map((each) => (each.key === key ? { ...each, value: kept.value } : each));
  scopes.set(scope.id, { ...now, properties });
  return undefined;
}
