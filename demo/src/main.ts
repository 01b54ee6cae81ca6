import { writeFile } from 'node:fs/promises';
import { writeZestjob } from '@zest/core/formats/zestjob/write';
import { createBoathouseJob } from './boathouse/job.ts';
import { BOATHOUSE_SHEETS } from './boathouse/sheets.ts';
import { drawSet } from './drawing/drawSet.ts';

const folder = new URL('../files/', import.meta.url);
const name = 'tern-island-boathouse.pdf';
const plans = await drawSet('Tern Island Boathouse, bid set', BOATHOUSE_SHEETS);
const job = createBoathouseJob(name, plans.length);
const [file] = job.file.keys();
if (file === undefined) throw new Error('main: the demo job has no file');
const packed = writeZestjob(job, new Map([[file, plans]]));

await writeFile(new URL(name, folder), plans);
await writeFile(new URL('tern-island-boathouse.zestjob', folder), packed);
console.log(`${name}: ${plans.length} bytes; .zestjob: ${packed.length} bytes`);
