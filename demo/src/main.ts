import { writeFile } from 'node:fs/promises';
import type { Job } from '@zest/core/job/job';
import { writeZestjob } from '@zest/core/formats/zestjob/write';
import { createBoathouseJob } from './boathouse/job.ts';
import { createHeronJob } from './heron/job.ts';
import { createTemplateJob } from './template/job.ts';
import { drawSet } from './drawing/drawSet.ts';
import { createPavilionJob } from './pavilion/job.ts';
import { BOATHOUSE_SET, PAVILION_SET } from './sets.ts';

const folder = new URL('../files/', import.meta.url);

/** Writes a set of drawings, and the job that is measured on it. */
async function write(
  name: string,
  content: Parameters<typeof drawSet>[0],
  create: (fileName: string, byteLength: number) => Job,
): Promise<void> {
  const plans = await drawSet(content);
  const job = create(`${name}.pdf`, plans.length);
  const [file] = job.file.keys();
  if (file === undefined) throw new Error(`write: the job of ${name} has no file`);
  const packed = writeZestjob(job, new Map([[file, plans]]));
  await writeFile(new URL(`${name}.pdf`, folder), plans);
  await writeFile(new URL(`${name}.zestjob`, folder), packed);
  console.log(`${name}: ${plans.length} bytes; .zestjob: ${packed.length} bytes`);
}

/** A job without drawings. */
async function writeJob(name: string, job: Job): Promise<void> {
  const packed = writeZestjob(job, new Map());
  await writeFile(new URL(`${name}.zestjob`, folder), packed);
  console.log(`${name}: ${packed.length} bytes`);
}

await write('tern-island-boathouse', BOATHOUSE_SET, createBoathouseJob);
await write('orchard-row-pavilion', PAVILION_SET, createPavilionJob);
await writeJob('heron-slip-boat-store', createHeronJob());
await writeJob('small-timber-building', createTemplateJob());
