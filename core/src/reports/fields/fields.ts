import type { BridgeLine } from '../bridge.ts';
import type { AlternatePrice } from '../alternates.ts';
import type { MaterialPart } from '../materialList.ts';
import type { PlaceShare } from '../placeShares.ts';
import type { CraftShare } from '../hoursByCraft.ts';
import type { PricedRow } from '../../estimate/rows.ts';
import type { Job } from '../../job/job.ts';
import type { Assembly } from '../../job/records/assembly.ts';
import type { Craft } from '../../job/records/craft.ts';
import type { Crew } from '../../job/records/crew.ts';
import type { Item } from '../../job/records/item.ts';
import type { Level } from '../../job/records/level.ts';
import type { Opening } from '../../job/records/opening.ts';
import type { Package, Quote } from '../../job/records/quote.ts';
import type { Scope } from '../../job/records/scope.ts';
import type { Section } from '../../job/records/section.ts';
import type { Sheet } from '../../job/records/sheet.ts';
import type { Zone } from '../../job/records/zone.ts';
import { remember } from '../../job/remember.ts';
import {
  ALTERNATE_FIELDS,
  CHANGE_FIELDS,
  DOUBT_FIELDS,
  type DoubtRow,
  PACKAGE_FIELDS,
  PART_FIELDS,
  QUOTE_FIELDS,
} from './askedFields.ts';
import { ASSEMBLY_FIELDS, CRAFT_FIELDS, CREW_FIELDS, ITEM_FIELDS } from './bookFields.ts';
import type { Field } from './field.ts';
import { LINE_FIELDS } from './lineFields.ts';
import { LEVEL_FIELDS, SECTION_FIELDS, SHEET_FIELDS, ZONE_FIELDS } from './placeFields.ts';
import { MARK_FIELDS, OPENING_FIELDS, SCOPE_FIELDS, type TapePiece, propertyField } from './scopeFields.ts';
import { HOURS_FIELDS, PLACE_FIELDS } from './shareFields.ts';

/** What a row of a report may be of, or belong to. */
export interface Owners {
  readonly line: PricedRow;
  readonly place: PlaceShare;
  readonly hours: CraftShare;
  readonly part: MaterialPart;
  readonly mark: TapePiece;
  readonly opening: Opening;
  readonly scope: Scope;
  readonly section: Section;
  readonly assembly: Assembly;
  readonly item: Item;
  readonly sheet: Sheet;
  readonly level: Level;
  readonly zone: Zone;
  readonly craft: Craft;
  readonly crew: Crew;
  readonly package: Package;
  readonly quote: Quote;
  readonly alternate: AlternatePrice;
  readonly doubt: DoubtRow;
  readonly change: BridgeLine;
}
export type OwnerName = keyof Owners;

/** All that can be known, by owner: a new field is an entry in its file, and has its words in the app. */
export const FIELDS = {
  line: LINE_FIELDS,
  place: PLACE_FIELDS,
  hours: HOURS_FIELDS,
  part: PART_FIELDS,
  mark: MARK_FIELDS,
  opening: OPENING_FIELDS,
  scope: SCOPE_FIELDS,
  section: SECTION_FIELDS,
  assembly: ASSEMBLY_FIELDS,
  item: ITEM_FIELDS,
  sheet: SHEET_FIELDS,
  level: LEVEL_FIELDS,
  zone: ZONE_FIELDS,
  craft: CRAFT_FIELDS,
  crew: CREW_FIELDS,
  package: PACKAGE_FIELDS,
  quote: QUOTE_FIELDS,
  alternate: ALTERNATE_FIELDS,
  doubt: DOUBT_FIELDS,
  change: CHANGE_FIELDS,
} as const satisfies { readonly [Name in OwnerName]: Readonly<Record<string, Field<Owners[Name]>>> };

export type FieldId = {
  [Name in OwnerName]: `${Name}.${keyof (typeof FIELDS)[Name] & string}`;
}[OwnerName];

/** A field of whatever owner; who asks gives it what it is of. */
export type AnyField = Field<never>;

/** The owner a field is of, and what it is called there. */
export function partsOf(fieldId: string): readonly [owner: string, name: string] {
  const at = fieldId.indexOf('.');
  return [fieldId.slice(0, at), fieldId.slice(at + 1)];
}

/** Properties of what is measured are fields of its own. */
export const PROPERTY_OWNER = 'property';

/** The properties there are in a job, each key once with the first name it has. */
export const listProperties = remember((scopes: Job['scope']): ReadonlyMap<string, string> => {
  const properties = new Map<string, string>();
  for (const scope of scopes.values())
    for (const { key, name } of scope.properties) if (!properties.has(key)) properties.set(key, name);
  return properties;
});

const propertyFields = new Map<string, Field<Scope>>();

/** A field by its id; undefined where nothing is called that. */
export function findField(
  fieldId: string,
): { readonly owner: OwnerName; readonly field: AnyField } | undefined {
  const [owner, name] = partsOf(fieldId);
  if (owner === PROPERTY_OWNER) {
    const field = propertyFields.get(name) ?? propertyField(name);
    propertyFields.set(name, field);
    return { owner: 'scope', field };
  }
  if (!Object.hasOwn(FIELDS, owner)) return undefined;
  const fields: Readonly<Record<string, AnyField>> = FIELDS[owner as OwnerName];
  const field = Object.hasOwn(fields, name) ? fields[name] : undefined;
  return field === undefined ? undefined : { owner: owner as OwnerName, field };
}
