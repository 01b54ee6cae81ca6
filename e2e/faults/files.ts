import { readFileSync } from 'node:fs';
import { readPack } from '@zest/core/formats/assemblies/read';
import { writePack, packAssemblies } from '@zest/core/formats/assemblies/write';
import { isSoundTiff } from '@zest/core/formats/image/check';
import { checkXlsx } from '@zest/core/formats/workbook/check';
import { readZestjob } from '@zest/core/formats/zestjob/read';
import { parseFormula } from '@zest/core/formula/parse';
import { keepTyped } from '@zest/core/formula/readTyped';
import { POINT_FORMAT, parseNumber } from '@zest/core/units/numberFormat';
import { type Faults, chanceOf } from './report.ts';

const DEMO_FILES = ['heron-slip-boat-store', 'small-timber-building', 'orchard-row-pavilion'];
/** Longer than this holds a person up. */
const SLOW_MS = 2000;

const read = (name: string): Uint8Array => new Uint8Array(readFileSync(`demo/files/${name}.zestjob`));

/** One bit of a job file turned over: it must be refused, wherever the bit is. */
export function flipBits(count: number): Faults {
  const files = DEMO_FILES.map(read);
  const lost: string[] = [];
  for (let turn = 0; turn < count; turn += 1) {
    const chance = chanceOf(turn);
    const name = turn % files.length;
    const bytes = (files[name] as Uint8Array).slice();
    const at = Math.floor(chance() * bytes.length);
    const bit = 1 << Math.floor(chance() * 8);
    bytes[at] = (bytes[at] as number) ^ bit;
    const said = tryTo(() => (readZestjob(bytes).ok ? 'was accepted' : undefined));
    if (said !== undefined) lost.push(`flip ${turn}, ${DEMO_FILES[name]} byte ${at} bit ${bit}: ${said}`);
  }
  return { kind: 'flipped bits', tried: count, lost };
}

/** What a reader did that it must not: throw, take long, or say something of its own. */
function tryTo(act: () => string | undefined): string | undefined {
  const began = performance.now();
  try {
    const said = act();
    const took = performance.now() - began;
    return said ?? (took > SLOW_MS ? `took ${Math.round(took)} ms` : undefined);
  } catch (error) {
    return `threw ${String(error)}`;
  }
}

/** Bytes cut off, doubled, swapped or overwritten. */
function mutate(bytes: Uint8Array, chance: () => number): Uint8Array {
  const place = (): number => Math.floor(chance() * bytes.length);
  switch (Math.floor(chance() * 4)) {
    case 0:
      return bytes.slice(0, place());
    case 1: {
      const [from, to] = [place(), place()].sort((a, b) => a - b) as [number, number];
      return new Uint8Array([...bytes.slice(0, to), ...bytes.slice(from, to), ...bytes.slice(to)]);
    }
    case 2: {
      const changed = bytes.slice();
      for (let i = 0; i < 8; i += 1) changed[place()] = Math.floor(chance() * 256);
      return changed;
    }
    default: {
      const changed = bytes.slice();
      const at = place();
      changed.fill(Math.floor(chance() * 256), at, at + 64);
      return changed;
    }
  }
}

/** A little TIFF of one white pixel, with its one directory. */
const TIFF = new Uint8Array([
  73, 73, 42, 0, 8, 0, 0, 0, 4, 0, 0, 1, 3, 0, 1, 0, 0, 0, 1, 0, 0, 0, 1, 1, 3, 0, 1, 0, 0, 0, 1, 0, 0, 0, 17,
  1, 4, 0, 1, 0, 0, 0, 62, 0, 0, 0, 23, 1, 4, 0, 1, 0, 0, 0, 1, 0, 0, 0, 0, 0, 0, 0, 255,
]);

/** Damaged files and damaged text at every door: refused or read, never thrown, never slow. */
export function mutateInputs(count: number): Faults {
  const jobFile = read('heron-slip-boat-store');
  const job = readZestjob(jobFile);
  if (!job.ok) throw new Error('mutateInputs: the demo file is damaged');
  const pack = new TextEncoder().encode(
    writePack({
      records: packAssemblies(job.value.job, [...job.value.job.assembly.keys()]),
      currency: 'USD',
    }),
  );
  const text = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);
  const typed = new TextEncoder().encode(`ceil(12'6" / 16 in) * lookup(t, a, b, 3 1/2 in) - (5) + 1e3 + 10%`);
  const same = (bytes: Uint8Array): boolean => Buffer.from(bytes).equals(Buffer.from(jobFile));
  const doors: readonly (readonly [
    name: string,
    whole: Uint8Array,
    take: (bytes: Uint8Array) => string | undefined,
  ])[] = [
    ['job file', jobFile, (bytes) => (readZestjob(bytes).ok && !same(bytes) ? 'was accepted' : undefined)],
    ['assemblies', pack, (bytes) => void readPack(text(bytes))],
    ['workbook', jobFile, (bytes) => void checkXlsx(bytes)],
    ['scan', TIFF, (bytes) => void isSoundTiff(bytes)],
    ['formula', typed, (bytes) => void parseFormula(text(bytes))],
    ['typed figure', typed, (bytes) => void keepTyped(text(bytes), POINT_FORMAT)],
    [
      'number',
      typed,
      (bytes) => {
        const value = parseNumber(text(bytes).replace(/[^\d.e,-]/g, ''), POINT_FORMAT);
        return value === undefined || Number.isFinite(value) ? undefined : `became ${value}`;
      },
    ],
  ];
  const lost: string[] = [];
  for (let turn = 0; turn < count; turn += 1) {
    const [name, whole, take] = doors[turn % doors.length] as (typeof doors)[number];
    const bytes = mutate(whole, chanceOf(turn));
    const said = tryTo(() => take(bytes));
    if (said !== undefined) lost.push(`mutation ${turn}, ${name}: ${said}`);
  }
  return { kind: 'mutated inputs', tried: count, lost };
}
