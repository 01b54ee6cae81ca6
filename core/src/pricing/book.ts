import type { Job } from '../job/job.ts';
import { remember } from '../job/remember.ts';
import type { Item } from '../job/records/item.ts';
import { BookSearch } from './bookSearch.ts';

/** The search over a job's price book; built anew only when an item changed. */
export const searchOf = remember((items: Job['item']): BookSearch => new BookSearch(items.values()));

const byCode = remember(
  (items: Job['item']): ReadonlyMap<string, Item> =>
    new Map([...items.values()].map((item) => [item.code.toLowerCase(), item])),
);

/** True for an item that costs nothing yet, neither money nor hours. */
export const isUnpriced = ({ material, equipment, subcontract, other, laborHours }: Item): boolean =>
  [material, equipment, subcontract, other, laborHours].every((cost) => cost === '');

/** Codes that lines, and assemblies that are applied, are priced by. */
export function usedCodes(job: Job): ReadonlySet<string> {
  const codes = new Set<string>();
  for (const { itemCode } of job.line.values()) codes.add(itemCode);
  for (const { itemCode } of job.override.values()) if (itemCode !== undefined) codes.add(itemCode);
  const applied = new Set<string>([...job.use.values()].map(({ assemblyId }) => assemblyId));
  for (const assembly of job.assembly.values())
    if (applied.has(assembly.id)) for (const { itemCode } of assembly.components) codes.add(itemCode);
  return codes;
}

/** The item of a code, however its letters are written. */
export const findByCode = (items: Job['item'], code: string): Item | undefined =>
  byCode(items).get(code.trim().toLowerCase());
