import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import Papa from 'papaparse';
import { Calculation } from '@zest/core/calculate/calculation';
import type { Figures } from '@zest/core/calculate/figures';
import { readZestjob } from '@zest/core/formats/zestjob/read';
import { put } from '@zest/core/job/change';
import { applyDiff, settingsOf } from '@zest/core/job/job';
import type { JobRecord } from '@zest/core/job/record';
import type { Scope } from '@zest/core/job/records/scope';
import { formatsOf } from '../../stores/context.tsx';
import { shownMeasures } from './shownMeasures.ts';
import { writeTape } from './writeTape.ts';

const read = readZestjob(
  new Uint8Array(readFileSync(`${__dirname}/../../../../demo/files/tern-island-boathouse.zestjob`)),
);
if (!read.ok) throw new Error(JSON.stringify(read.problem));
const { job } = read.value;
const scopeOf = (key: string): Scope => {
  const found = [...job.scope.values()].find((scope) => scope.key === key);
  if (found === undefined) throw new Error(`no scope ${key}`);
  return found;
};
const p2 = scopeOf('p2');

function changed(...records: readonly JobRecord[]): Figures {
  const diff = put(...records)(job);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  return new Calculation(applyDiff(job, diff.value)).figures;
}

describe('the figures a scope is shown with', () => {
  it('are those that say something', () => {
    expect(shownMeasures(new Calculation(job).figures, p2)).toEqual([
      'count',
      'ends',
      'corners',
      'tees',
      'wall_area',
    ]);
  });

  it('grow faces with a thickness, and net figures with an opening', () => {
    const thick = {
      ...p2,
      properties: [...p2.properties, { key: 'thickness', name: 'Thickness', value: '6', unit: 'in' }],
    };
    const [mark] = [...job.mark.values()].filter(({ scopeId }) => scopeId === p2.id);
    const figures = changed(thick, {
      type: 'opening',
      id: 'opening:0123456789',
      markId: mark!.id,
      scopeId: null,
      tag: '',
      widthM: 0.9,
      heightM: 2.1,
      seat: { on: 'run', stroke: 0, along: 0.5 },
    });
    expect(shownMeasures(figures, thick)).toEqual(
      expect.arrayContaining([
        'left_length',
        'center_length',
        'right_length',
        'openings',
        'net_length',
        'net_wall_area',
      ]),
    );
  });
});

describe('the tape as CSV', () => {
  it('has a row a mark that adds up to the figure of the scope', () => {
    const csv = writeTape(new Calculation(job).figures, scopeOf('slab_bay'), formatsOf(settingsOf(job)));
    const { data } = Papa.parse<Record<string, string>>(csv, { header: true });
    expect(data).toEqual([
      { Mark: '1', Sheet: 'S-101', Pieces: '4', Times: '1', area: '4,988.4', Unit: 'ft²' },
    ]);
  });
});
