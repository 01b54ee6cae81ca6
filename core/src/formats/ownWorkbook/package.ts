import { strFromU8 } from 'fflate';
import { type Result, accept, refuse } from '../../problem/result.ts';
import { LIMITS } from '../limits.ts';
import { type ZipDirectory, readZipDirectory, unpackEntry } from '../zip/readZip.ts';
import { columnNumber } from '../workbook/columns.ts';
import { textOfXml } from './sheetXml.ts';

export type OwnWorkbookProblem =
  | { readonly kind: 'own-workbook-damaged' }
  | { readonly kind: 'own-workbook-too-large'; readonly limit: number }
  /** None of its named cells is called as a column of the report is. */
  | {
      readonly kind: 'own-workbook-no-names';
      readonly wanted: readonly string[];
      readonly found: readonly string[];
    }
  /** A name that refers to a sheet or a range that is gone. */
  | { readonly kind: 'own-workbook-lost-name'; readonly name: string }
  | { readonly kind: 'own-workbook-key-missing'; readonly name: string }
  /** A range of figures that does not lie beside the range of what they are of. */
  | { readonly kind: 'own-workbook-not-beside'; readonly name: string; readonly key: string }
  /** A cell that calculates is not written over. */
  | {
      readonly kind: 'own-workbook-formula';
      readonly name: string;
      readonly cell: string;
      readonly sheet: string;
    };

/** A rectangle of a sheet, from 1. */
export interface NamedRange {
  readonly name: string;
  readonly sheet: string;
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** A workbook of the person's: what is named in it, and its sheets as XML. */
export interface OwnWorkbook {
  readonly bytes: Uint8Array;
  readonly directory: ZipDirectory;
  readonly names: readonly NamedRange[];
  /** Names whose range is gone. */
  readonly lost: readonly string[];
  /** The path in the package of each sheet, by its name. */
  readonly paths: ReadonlyMap<string, string>;
  readonly xmlOf: (path: string) => string | undefined;
  readonly sharedTexts: readonly string[];
}

const WORKBOOK = 'xl/workbook.xml';
const damaged = (): Result<never, OwnWorkbookProblem> => refuse({ kind: 'own-workbook-damaged' });

/** Opens a workbook as far as filling it needs: ECMA-376 part 1, 18.2 (workbook) and 18.2.5 (defined names). */
export function openOwnWorkbook(bytes: Uint8Array): Result<OwnWorkbook, OwnWorkbookProblem> {
  const directory = readZipDirectory(bytes, LIMITS.workbook);
  if (!directory.ok)
    return directory.problem.kind === 'zip-too-large'
      ? refuse({ kind: 'own-workbook-too-large', limit: LIMITS.workbook.bytes })
      : damaged();
  const byName = new Map(directory.value.entries.map((entry) => [entry.name, entry]));
  const xmlOf = (path: string): string | undefined => {
    const entry = byName.get(path);
    const content = entry === undefined ? undefined : unpackEntry(bytes, entry);
    return content?.ok === true ? strFromU8(content.value) : undefined;
  };
  const workbook = xmlOf(WORKBOOK);
  const relations = xmlOf('xl/_rels/workbook.xml.rels');
  if (workbook === undefined || relations === undefined) return damaged();
  const targets = new Map(
    tagsOf(relations, 'Relationship').map((tag) => [
      attribute(tag, 'Id') ?? '',
      pathOf(attribute(tag, 'Target') ?? ''),
    ]),
  );
  const paths = new Map(
    tagsOf(workbook, 'sheet').flatMap((tag) => {
      const path = targets.get(attribute(tag, 'r:id') ?? attribute(tag, 'id') ?? '');
      const name = attribute(tag, 'name');
      return path === undefined || name === undefined ? [] : [[name, path] as const];
    }),
  );
  const { names, lost } = namesOf(workbook, paths);
  const shared = xmlOf('xl/sharedStrings.xml');
  const sharedTexts =
    shared === undefined ? [] : [...shared.matchAll(SHARED)].map(([item]) => textOfXml(item));
  return accept({ bytes, directory: directory.value, names, lost, paths, xmlOf, sharedTexts });
}

const SHARED = /<si\b[^>]*?(?:\/>|>[\s\S]*?<\/si>)/g;

const tagsOf = (xml: string, tag: string): readonly string[] =>
  [...xml.matchAll(new RegExp(`<(?:\\w+:)?${tag}\\b[^>]*>`, 'g'))].map(([whole]) => whole);

function attribute(tag: string, name: string): string | undefined {
  const found = new RegExp(`\\s${name}="([^"]*)"`).exec(tag)?.[1];
  return found === undefined ? undefined : textOfXml(found);
}

/** Targets are relative to the workbook, or to the package where they begin with a slash. */
const pathOf = (target: string): string => (target.startsWith('/') ? target.slice(1) : `xl/${target}`);

const DEFINED = /<definedName\b([^>]*)>([^<]*)<\/definedName>/g;
const RANGE = /^(?:'((?:[^']|'')+)'|([^'!]+))!\$?([A-Z]{1,3})\$?(\d{1,7})(?::\$?([A-Z]{1,3})\$?(\d{1,7}))?$/;

function namesOf(
  workbook: string,
  paths: ReadonlyMap<string, string>,
): { readonly names: readonly NamedRange[]; readonly lost: readonly string[] } {
  const names: NamedRange[] = [];
  const lost: string[] = [];
  for (const [, head = '', reference = ''] of workbook.matchAll(DEFINED)) {
    const name = attribute(head, 'name') ?? '';
    // Print areas and the like are the program's own.
    if (name === '' || name.startsWith('_xlnm.')) continue;
    const range = RANGE.exec(textOfXml(reference).trim());
    const sheet = (range?.[1]?.replaceAll("''", "'") ?? range?.[2] ?? '').trim();
    if (range === null || !paths.has(sheet)) {
      lost.push(name);
      continue;
    }
    const [left, top] = [columnNumber(range[3] ?? 'A'), Number(range[4])];
    const [right, bottom] = [range[5] === undefined ? left : columnNumber(range[5]), Number(range[6] ?? top)];
    names.push({ name, sheet, left, top, right, bottom });
  }
  return { names, lost };
}
