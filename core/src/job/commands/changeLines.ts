import { overrideOf } from '../overrides.ts';
import type { Command } from '../change.ts';
import { put, remove, sequence } from '../change.ts';
import type { Id, MakeId } from '../id.ts';
import type { Line } from '../records/line.ts';
import type { Override } from '../records/override.ts';
import type { Package } from '../records/quote.ts';
import type { TypedCosts } from '../records/pricing.ts';

/** What may be said of a line of any kind. Undefined takes it back: the line is as it was derived. */
export interface LineChange {
  readonly description?: string | undefined;
  readonly itemCode?: string | undefined;
  readonly pinned?: string | undefined;
  readonly costs?: TypedCosts | undefined;
  readonly wastePercent?: string | undefined;
  readonly costCode?: string | undefined;
  readonly taxPercent?: string | undefined;
  readonly alternate?: Override['alternate'];
  readonly note?: string | undefined;
  readonly sectionId?: Id<'section'> | null | undefined;
  readonly order?: number | undefined;
  readonly craftId?: Id<'craft'> | undefined;
  readonly crewId?: Id<'crew'> | undefined;
}

/** Without what is undefined or says nothing. */
function without<Whole extends object>(whole: Whole): Whole {
  const kept = Object.entries(whole).filter(([key, value]) => {
    if (value === undefined) return false;
    if (key === 'costs')
      return Object.values(value as object).some((cost) => cost !== undefined && cost !== '');
    return true;
  });
  return Object.fromEntries(kept) as Whole;
}

/** Costs with those left out that were emptied. */
const tidy = (costs: TypedCosts | undefined): TypedCosts | undefined =>
  costs === undefined
    ? undefined
    : Object.fromEntries(Object.entries(costs).filter(([, cost]) => cost !== undefined && cost !== ''));

function changedLine(line: Line, change: LineChange): Line {
  const { description, itemCode, sectionId, order, costs, ...choices } = change;
  return without({
    ...line,
    ...choices,
    ...('costs' in change ? { costs: tidy(costs) } : {}),
    // A cost that stood for the whole price goes over into those by kind, and so does not come twice.
    ...('costs' in change && line.typedCost !== null ? { typedCost: null, itemCode: '' } : {}),
    ...(description === undefined ? {} : { description }),
    ...('itemCode' in change ? { itemCode: itemCode ?? '' } : {}),
    ...(sectionId === undefined ? {} : { sectionId }),
    ...(order === undefined ? {} : { order }),
  }) as Line;
}

function changedPackage(each: Package, change: LineChange): Package {
  const { description, costCode, sectionId, order } = change;
  return without({
    ...each,
    ...(description === undefined ? {} : { name: description }),
    ...('costCode' in change ? { costCode } : {}),
    ...('alternate' in change ? { alternate: change.alternate } : {}),
    ...(sectionId === undefined ? {} : { sectionId }),
    ...(order === undefined ? {} : { order }),
  }) as Package;
}

/** What is said of a derived line after a change; undefined where nothing is said any more. */
function changedOverride(
  before: Override | undefined,
  key: string,
  change: LineChange,
  makeId: MakeId,
): Override | undefined {
  const { sectionId, costs, ...choices } = change;
  const after = without({
    ...(before ?? { type: 'override', id: makeId('override'), line: key }),
    ...choices,
    ...('costs' in change ? { costs: tidy(costs) } : {}),
    // A derived line is in some section: null means that it goes back to where it was derived.
    ...('sectionId' in change ? { sectionId: sectionId ?? undefined } : {}),
  }) as Override;
  return Object.keys(after).length === 3 ? undefined : after;
}

/**
 * Changes lines of any kind by their keys: typed ones themselves, derived ones beside what they are.
 * Several changes of one line add up; all of them are one put, however many lines there are.
 */
export const changeLines =
  (changes: Iterable<readonly [key: string, change: LineChange]>, makeId: MakeId): Command =>
  (job) => {
    const changed = new Map<string, Line | Package | Override | undefined>();
    for (const [key, change] of changes) {
      const had = changed.has(key);
      const line = had ? undefined : job.line.get(key as Id<'line'>);
      const each = had ? undefined : job.package.get(key as Id<'package'>);
      const now = had ? changed.get(key) : (line ?? each ?? overrideOf(job, key));
      if (now?.type === 'line') changed.set(key, changedLine(now, change));
      else if (now?.type === 'package') changed.set(key, changedPackage(now, change));
      else changed.set(key, changedOverride(now, key, change, makeId));
    }
    const kept = [...changed.values()].filter((record) => record !== undefined);
    const bare = [...changed].flatMap(([key, record]) =>
      record === undefined ? (overrideOf(job, key)?.id ?? []) : [],
    );
    return sequence(put(...kept), ...(bare.length > 0 ? [remove(...bare)] : []))(job);
  };
