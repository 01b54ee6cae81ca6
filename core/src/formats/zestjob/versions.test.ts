import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { strFromU8, unzipSync } from 'fflate';
import { Calculation } from '../../calculate/calculation.ts';
import { knownValue } from '../../calculate/define.ts';
import { bidNode } from '../../calculate/graph/nodes.ts';
import { ZESTJOB } from './descriptor.ts';
import { readZestjob } from './read.ts';

/** Job files as each version wrote them, with what the program of that version figured for them, whole cents. */
const WRITTEN = [
  { version: 1, records: 255, material: 12_739_261, labor: 7_160_881, equipment: 745_140, total: 27_116_422 },
  { version: 2, records: 203, material: 0, labor: 0, equipment: 0, total: 0 },
  { version: 3, records: 203, material: 0, labor: 0, equipment: 0, total: 0 },
  { version: 4, records: 222, material: 4_599_241, labor: 5_216_714, equipment: 197_181, total: 12_206_012 },
  { version: 5, records: 222, material: 4_599_241, labor: 5_216_714, equipment: 197_181, total: 12_206_012 },
  { version: 6, records: 358, material: 2_199_789, labor: 1_352_587, equipment: 74_545, total: 4_596_101 },
  { version: 7, records: 362, material: 2_199_789, labor: 1_352_587, equipment: 74_545, total: 4_596_101 },
  { version: 8, records: 365, material: 2_199_789, labor: 1_352_587, equipment: 74_545, total: 4_596_101 },
  { version: 9, records: 366, material: 2_199_789, labor: 1_352_587, equipment: 74_545, total: 4_596_101 },
] as const;

const bytesOf = (version: number): Uint8Array =>
  new Uint8Array(readFileSync(`core/src/formats/zestjob/fixtures/v${version}.zestjob`));

describe('job files of earlier versions', () => {
  it.each(WRITTEN)('version $version opens whole, and comes to what it came to', (written) => {
    const bytes = bytesOf(written.version);
    const envelope = JSON.parse(strFromU8(unzipSync(bytes)[ZESTJOB.jobEntry] ?? new Uint8Array())) as {
      version: number;
      records: readonly { readonly type: string; readonly id: string }[];
    };
    expect(envelope.version).toBe(written.version);
    expect(envelope.records).toHaveLength(written.records);
    const read = readZestjob(bytes);
    if (!read.ok) throw new Error(JSON.stringify(read.problem));
    const { job, files } = read.value;
    const kept = Object.values(job).flatMap((table) =>
      [...table.values()].map(({ type, id }) => `${type} ${id}`),
    );
    expect(kept.sort()).toEqual(envelope.records.map(({ type, id }) => `${type} ${id}`).sort());
    expect(files.size).toBe(job.file.size);
    const calculation = new Calculation(job);
    const cents = (figure: 'material' | 'labor' | 'equipment' | 'total'): number | undefined =>
      knownValue(calculation.figure(bidNode(figure)));
    const { material, labor, equipment, total } = written;
    expect({
      material: cents('material'),
      labor: cents('labor'),
      equipment: cents('equipment'),
      total: cents('total'),
    }).toEqual({ material, labor, equipment, total });
  });

  it('are of every version before this one', () => {
    expect(WRITTEN.map(({ version }) => version)).toEqual(
      Array.from({ length: ZESTJOB.version - 1 }, (_, i) => i + 1),
    );
  });
});
