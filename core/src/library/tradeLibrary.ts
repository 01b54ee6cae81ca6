import { type Command, put, sequence } from '../job/change.ts';
import { applyAssembly } from '../job/commands/uses.ts';
import type { Id, MakeId } from '../job/id.ts';
import { type Job, orderAfter } from '../job/job.ts';
import type { JobRecord, RecordOf } from '../job/record.ts';
import type { MarkKind } from '../job/markKinds.ts';
import type { UnitSystem } from '../units/format.ts';
import { tellingWords } from '../pricing/tellingWords.ts';
import type { LibraryAssembly, MadeAssembly, Maker } from './build.ts';
import { hasSamples, samplePrice, sampleWage } from './samples.ts';
import { inMetric } from './metricBook.ts';
import { CRAFTS, type CraftKey, FURTHER_CRAFTS } from './priceBook.ts';
import { CARPENTRY_ASSEMBLIES } from './trades/carpentry.ts';
import { CONCRETE_ASSEMBLIES } from './trades/concrete.ts';
import { DEVICE_ASSEMBLIES } from './trades/devices.ts';
import { ELECTRICAL_ASSEMBLIES } from './trades/electrical.ts';
import { FINISH_ASSEMBLIES } from './trades/finishes.ts';
import { IRRIGATION_ASSEMBLIES } from './trades/irrigation.ts';
import { MASONRY_ASSEMBLIES } from './trades/masonry.ts';
import { OUTSIDE_ASSEMBLIES } from './trades/outside.ts';
import { ROOF_ASSEMBLIES } from './trades/roofing.ts';
import { SITE_ASSEMBLIES } from './trades/sitework.ts';
import { FURTHER_SITE_ASSEMBLIES } from './trades/site.ts';
import { STRUCTURE_ASSEMBLIES } from './trades/structure.ts';
import { type Say, asWritten, sayAssembly } from './texts.ts';
import { WALL_ASSEMBLIES } from './trades/walls.ts';

const MAKERS: readonly Maker[] = [
  ...WALL_ASSEMBLIES,
  ...CONCRETE_ASSEMBLIES,
  ...MASONRY_ASSEMBLIES,
  ...ROOF_ASSEMBLIES,
  ...ELECTRICAL_ASSEMBLIES,
  ...IRRIGATION_ASSEMBLIES,
  ...SITE_ASSEMBLIES,
  ...OUTSIDE_ASSEMBLIES,
  ...FINISH_ASSEMBLIES,
  ...CARPENTRY_ASSEMBLIES,
  ...STRUCTURE_ASSEMBLIES,
  ...FURTHER_SITE_ASSEMBLIES,
  ...DEVICE_ASSEMBLIES,
];

/** Its samples as they are sold where the job is: no pounds and feet in a metric one. */
const inUnitsOf = (made: MadeAssembly, system: UnitSystem): MadeAssembly =>
  system === 'us' ? made : { ...made, items: made.items.map(inMetric) };

/** The assemblies that ship with the program, in the units and the language of a job. */
export const tradeLibrary = (system: UnitSystem, say: Say = asWritten): readonly LibraryAssembly[] =>
  MAKERS.map((make) => {
    const made = inUnitsOf(make(system), system);
    return sayAssembly({ ...made, key: made.name }, say);
  });

/** Assemblies for a kind of mark whose name, trade, tags or description hold every word, best first. */
export function findAssemblies(
  library: readonly LibraryAssembly[],
  kind: MarkKind,
  text: string,
): readonly LibraryAssembly[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const rank = ({ name, trade, tags = '', description }: LibraryAssembly): number => {
    const [first, rest] = [name.toLowerCase(), `${trade} ${tags} ${description}`.toLowerCase()];
    if (!words.every((word) => first.includes(word) || rest.includes(word))) return -1;
    return words.filter((word) => first.includes(word)).length;
  };
  return library
    .map((each) => ({ each, rank: rank(each) }))
    .filter((found) => found.each.measures === kind && found.rank >= 0)
    .sort((a, b) => b.rank - a.rank)
    .map(({ each }) => each);
}

/**
 * Assemblies that would price what a text speaks of, as the rows of a schedule do: those that share most words with
 * it, by their name before their tags. None where no word is shared.
 */
export function proposeAssemblies(
  library: readonly LibraryAssembly[],
  kind: MarkKind,
  text: string,
): readonly LibraryAssembly[] {
  const said = new Set(tellingWords(text));
  const score = ({ name, tags = '', trade }: LibraryAssembly): number =>
    3 * tellingWords(name).filter((word) => said.has(word)).length +
    tellingWords(`${tags} ${trade}`).filter((word) => said.has(word)).length;
  return library
    .map((each) => ({ each, score: score(each) }))
    .filter((found) => found.each.measures === kind && found.score > 0)
    .sort((a, b) => b.score - a.score)
    .map(({ each }) => each);
}

const CRAFT_LIST = [...CRAFTS, ...FURTHER_CRAFTS];

/** Crafts and items a job lacks for an assembly; what it has under the same name or code is its own and stays. */
function missing(job: Job, assembly: LibraryAssembly, makeId: MakeId): readonly JobRecord[] {
  const [settings] = job.settings.values();
  const isPriced = settings !== undefined && settings.noSamples !== true && hasSamples(settings);
  const codes = new Set([...job.item.values()].map(({ code }) => code));
  const wanted = assembly.items.filter(({ code }) => !codes.has(code));
  const byName = new Map([...job.craft.values()].map((craft) => [craft.name, craft.id]));
  const crafts: RecordOf<'craft'>[] = [];
  const craftId = (key: CraftKey): Id<'craft'> => {
    const found = CRAFT_LIST.find(([each]) => each === key);
    if (found === undefined) throw new Error(`craftId: no craft is called ${key}`);
    const [, written, wage] = found;
    const name = assembly.craftNames?.[key] ?? written;
    const known = byName.get(name) ?? byName.get(written);
    if (known !== undefined) return known;
    const craft: RecordOf<'craft'> = {
      type: 'craft',
      id: makeId('craft'),
      name,
      ...sampleWage(wage, isPriced),
    };
    crafts.push(craft);
    byName.set(name, craft.id);
    return craft.id;
  };
  const items = wanted.map(({ craft, ...item }): RecordOf<'item'> => ({
    type: 'item',
    id: makeId('item'),
    ...samplePrice(item, isPriced),
    craftId: craft === null ? null : craftId(craft),
  }));
  const keys = new Set([...job.table.values()].map(({ key }) => key));
  const tables = assembly.tables
    .filter(({ key }) => !keys.has(key))
    .map((table, i): RecordOf<'table'> => ({
      type: 'table',
      id: makeId('table'),
      order: orderAfter(job.table.values()) + i,
      ...table,
    }));
  return [...crafts, ...items, ...tables];
}

/** A copy of an assembly of the library as the job's own, with the items, crafts and tables it needs. */
export function takeFromLibrary(assembly: LibraryAssembly, id: Id<'assembly'>, makeId: MakeId): Command {
  return (job) => {
    const { trade, key, craftNames: _names, items: _items, tables: _tables, version, ...content } = assembly;
    const own: RecordOf<'assembly'> = {
      type: 'assembly',
      id,
      ...content,
      folder: content.folder ?? trade,
      origin: { key, version },
      order: orderAfter(job.assembly.values()),
    };
    return put(...missing(job, assembly, makeId), own)(job);
  };
}

/** The copy a job has already, by its name here or as it was written. */
const findCopy = (job: Job, { key, name, measures }: LibraryAssembly): RecordOf<'assembly'> | undefined =>
  [...job.assembly.values()].find(
    (each) => (each.name === name || each.origin?.key === key) && each.measures === measures,
  );

/**
 * Applies an assembly of the trade library to scopes: a copy becomes the job's own, so that later
 * versions of the library reach the job only when they are asked for. A copy the job has is used again.
 */
export function applyFromLibrary(
  assembly: LibraryAssembly,
  scopeIds: readonly Id<'scope'>[],
  makeId: MakeId,
): Command {
  return (job) => {
    const known = findCopy(job, assembly);
    const id = known?.id ?? makeId('assembly');
    const apply = applyAssembly(id, scopeIds, makeId);
    return known === undefined ? sequence(takeFromLibrary(assembly, id, makeId), apply)(job) : apply(job);
  };
}
