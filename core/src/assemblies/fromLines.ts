import { replaceTotals } from '../formula/replaceTotals.ts';
import type { Id, MakeId } from '../job/id.ts';
import { keyFor } from '../job/keyFor.ts';
import type { Assembly, Component } from '../job/records/assembly.ts';
import type { Item } from '../job/records/item.ts';
import type { Line } from '../job/records/line.ts';
import type { Scope } from '../job/records/scope.ts';
import { itemKind } from '../pricing/itemKind.ts';
import { measuresOf } from '../job/markKinds.ts';
import { type Measure } from '../job/measures.ts';
import { isNumber } from '../units/dimension.ts';
import { findUnit } from '../units/unit.ts';

/** What the quantities of the lines were for: `length` of the scope came to `120 ft`. */
export interface Driver {
  readonly scope: Scope;
  readonly measure: Measure;
  /** The figure with its unit, as a formula reads it. */
  readonly figure: string;
}

export interface FromLines {
  readonly assembly: Assembly;
  /** Items for costs that were typed on a line. */
  readonly items: readonly Item[];
}

const BARE = /^-?\d+(\.\d+)?$/;

/**
 * `24 ea` for 120 ft of wall is `length / 120 ft * 24`, and 80 lb is `length / 120 ft * 80 lb`; a formula
 * over the scope reads its own measures.
 */
function formulaOf(line: Line, { scope, measure, figure }: Driver): string {
  const own = replaceTotals(line.quantity, scope.key);
  if (own !== line.quantity) return own;
  const unit = findUnit(line.unit);
  const carries = unit !== undefined && !isNumber(unit.dimension) ? ` ${unit.symbol}` : '';
  const quantity = BARE.test(line.quantity) ? `${line.quantity}${carries}` : `(${line.quantity})`;
  return `${measure} / ${figure} * ${quantity}`;
}

function itemFor(line: Line, codes: Set<string>, makeId: MakeId): Item | undefined {
  if (line.typedCost === null) return undefined;
  let code = '';
  for (let i = 1; code === '' || codes.has(code); i += 1) code = `OWN-${i}`;
  codes.add(code);
  const { kind, amount } = line.typedCost;
  const of = (cost: string): string =>
    cost === kind || (cost === 'other' && kind === 'labor') ? amount : '';
  return {
    type: 'item',
    id: makeId('item'),
    code,
    description: line.description,
    unit: line.unit,
    basis: 1,
    material: of('material'),
    laborHours: '',
    craftId: null,
    equipment: of('equipment'),
    subcontract: of('subcontract'),
    other: of('other'),
    supplier: '',
    date: '',
    group: '',
  };
}

/** An assembly that gives the same lines again for whatever is measured next. */
export function assemblyFromLines(
  lines: readonly Line[],
  driver: Driver,
  name: string,
  id: Id<'assembly'>,
  order: number,
  book: Iterable<Item>,
  makeId: MakeId,
): FromLines {
  const keys = new Set<string>(measuresOf(driver.scope.kind));
  const known = new Map([...book].map((item) => [item.code, item]));
  const codes = new Set(known.keys());
  const items: Item[] = [];
  const components = lines.map((line): Component => {
    const key = keyFor(line.description, keys, 'part');
    keys.add(key);
    const item = itemFor(line, codes, makeId);
    if (item !== undefined) items.push(item);
    const priced = known.get(line.itemCode);
    return {
      key,
      name: line.description,
      kind: line.typedCost?.kind ?? (priced === undefined ? 'material' : itemKind(priced)),
      unit: line.unit,
      formula: formulaOf(line, driver),
      wastePercent: '0',
      roundUpTo: '',
      itemCode: item?.code ?? line.itemCode,
    };
  });
  const assembly: Assembly = {
    type: 'assembly',
    id,
    name,
    description: '',
    measures: driver.scope.kind,
    order,
    inputs: [],
    components,
  };
  return { assembly, items };
}
