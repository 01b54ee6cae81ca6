import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { strFromU8, unzipSync } from 'fflate';
import { Calculation } from '../../calculate/calculation.ts';
import { knownValue } from '../../calculate/define.ts';
import { sectionNode } from '../../calculate/graph/nodes.ts';
import { ZESTJOB } from './descriptor.ts';
import { readZestjob } from './read.ts';

/**
 * Job files as each version wrote them, with what that version figured for them. Labor and equipment are lower since
 * version 6, where waste acts on material alone; what was measured and bought must not have moved by a cent.
 */
const WRITTEN = [
  { version: 1, records: 255, material: 12_739_261 },
  { version: 2, records: 203, material: 0 },
  { version: 3, records: 203, material: 0 },
  { version: 4, records: 222, material: 4_599_241 },
  { version: 5, records: 222, material: 4_599_241 },
] as const;

const bytesOf = (version: number): Uint8Array =>
  new Uint8Array(readFileSync(`core/src/formats/zestjob/fixtures/v${version}.zestjob`));

describe('job files of earlier versions', () => {
  it.each(WRITTEN)('version $version opens whole, and buys what it bought', (written) => {
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
    const material = [...job.section.keys()].reduce(
      (sum, id) => sum + (knownValue(calculation.figure(sectionNode(id, 'material'))) ?? 0),
      0,
    );
    expect(material).toBe(written.material);
  });

  it('are of every version before this one', () => {
    expect(WRITTEN.map(({ version }) => version)).toEqual(
      Array.from({ length: ZESTJOB.version - 1 }, (_, i) => i + 1),
    );
  });
});
