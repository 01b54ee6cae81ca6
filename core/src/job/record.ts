import type * as z from 'zod';
import type { Id, RecordType } from './id.ts';
import { acceptanceSchema } from './records/acceptance.ts';
import { adjustmentSchema } from './records/adjustment.ts';
import { alternateSchema } from './records/alternate.ts';
import { assemblySchema } from './records/assembly.ts';
import { companyCopySchema } from './records/companyCopy.ts';
import { craftSchema } from './records/craft.ts';
import { crewSchema } from './records/crew.ts';
import { difficultySchema } from './records/difficulty.ts';
import { documentSchema } from './records/document.ts';
import { fileSchema } from './records/file.ts';
import { itemSchema } from './records/item.ts';
import { levelSchema } from './records/level.ts';
import { lineSchema } from './records/line.ts';
import { logoSchema } from './records/logo.ts';
import { tableSchema } from './records/lookupTable.ts';
import { markSchema } from './records/mark.ts';
import { markupSchema } from './records/markup.ts';
import { openingSchema } from './records/opening.ts';
import { overrideSchema } from './records/override.ts';
import { pieceSchema } from './records/piece.ts';
import { quantitySchema } from './records/quantity.ts';
import { packageSchema, quoteSchema } from './records/quote.ts';
import { regionSchema } from './records/region.ts';
import { reportSchema } from './records/report.ts';
import { offerSchema, purchaseOrderSchema, requestSchema, stockSchema } from './records/request.ts';
import { scheduleSchema } from './records/schedule.ts';
import { scopeSchema } from './records/scope.ts';
import { sectionSchema } from './records/section.ts';
import { settingsSchema } from './records/settings.ts';
import { sheetSchema } from './records/sheet.ts';
import { textBlockSchema } from './records/textBlock.ts';
import { useSchema } from './records/use.ts';
import { versionSchema } from './records/version.ts';
import { yardstickSchema } from './records/yardstick.ts';
import { zoneSchema } from './records/zone.ts';

export const RECORD_SCHEMAS = {
  settings: settingsSchema,
  file: fileSchema,
  sheet: sheetSchema,
  section: sectionSchema,
  scope: scopeSchema,
  mark: markSchema,
  opening: openingSchema,
  piece: pieceSchema,
  level: levelSchema,
  zone: zoneSchema,
  schedule: scheduleSchema,
  quantity: quantitySchema,
  table: tableSchema,
  difficulty: difficultySchema,
  assembly: assemblySchema,
  use: useSchema,
  craft: craftSchema,
  item: itemSchema,
  line: lineSchema,
  markup: markupSchema,
  crew: crewSchema,
  region: regionSchema,
  adjustment: adjustmentSchema,
  override: overrideSchema,
  alternate: alternateSchema,
  package: packageSchema,
  quote: quoteSchema,
  yardstick: yardstickSchema,
  textBlock: textBlockSchema,
  logo: logoSchema,
  companyCopy: companyCopySchema,
  report: reportSchema,
  document: documentSchema,
  version: versionSchema,
  request: requestSchema,
  offer: offerSchema,
  purchaseOrder: purchaseOrderSchema,
  stock: stockSchema,
  acceptance: acceptanceSchema,
} as const;

export type RecordOf<Type extends RecordType> = z.infer<(typeof RECORD_SCHEMAS)[Type]>;
export type JobRecord = { [Type in RecordType]: RecordOf<Type> }[RecordType];

export const RECORD_TYPES = Object.keys(RECORD_SCHEMAS) as readonly RecordType[];

/** The type a record id names. */
export const typeOfId = (id: Id): RecordType => id.slice(0, id.indexOf(':')) as RecordType;

/** Freezes a record all the way down, so that a change can only go through the door. */
export function deepFreeze<Value>(value: Value): Value {
  if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return value;
  Object.freeze(value);
  for (const inner of Object.values(value)) deepFreeze(inner);
  return value;
}
