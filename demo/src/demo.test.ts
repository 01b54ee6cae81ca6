import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { Calculation } from '@zest/core/calculate/calculation';
import { knownValue } from '@zest/core/calculate/define';
import { measureNode } from '@zest/core/calculate/nodes';
import { readZestjob } from '@zest/core/formats/zestjob/read';
import { listUnpriced } from '@zest/core/reports/unpriced';
import { getUnit } from '@zest/core/units/unit';
import { BAY_SLAB, DEPTH, DOORS, ROOMS, WIDTH, areaOf, wallLength } from './boathouse/building.ts';
import { BOATHOUSE_SHEETS } from './boathouse/sheets.ts';
import { drawSet } from './drawing/drawSet.ts';

const read = (name: string): Buffer => readFileSync(`${__dirname}/../files/${name}`);
const content = readZestjob(new Uint8Array(read('tern-island-boathouse.zestjob')));
if (!content.ok) throw new Error(JSON.stringify(content.problem));
const { job } = content.value;
const calculation = new Calculation(job);

function measured(key: string, measure: 'length' | 'area' | 'count'): number {
  const scope = [...job.scope.values()].find((each) => each.key === key);
  const value = knownValue(calculation.figure(measureNode(scope!.id, measure))) ?? Number.NaN;
  const unit = { length: getUnit('ft'), area: getUnit('ft²'), count: undefined }[measure];
  return unit === undefined ? value : value / unit.factor;
}

describe('the demo job', () => {
  it('measures what the building model says', () => {
    expect(measured('block_wall', 'length')).toBeCloseTo(wallLength('block'), 1);
    expect(measured('p1', 'length')).toBeCloseTo(wallLength('P1'), 1);
    expect(measured('p2', 'length')).toBeCloseTo(wallLength('P2'), 1);
    expect(measured('slab_bay', 'area')).toBeCloseTo(areaOf(BAY_SLAB), 0);
    expect(measured('doors', 'count')).toBe(DOORS.filter(({ type }) => type === 'single').length);
  });

  it('has rooms that fill the building', () => {
    expect(ROOMS.reduce((sum, room) => sum + areaOf(room.corners), 0)).toBeCloseTo(WIDTH * DEPTH, 6);
  });

  it('is partly done, as on a Tuesday afternoon', () => {
    expect([...job.sheet.values()].filter(({ scale }) => scale === null)).toHaveLength(2);
    expect(listUnpriced(calculation).map(({ failure }) => failure.kind)).toEqual(['no-price', 'no-price']);
    expect([...job.scope.keys()].filter((id) => [...calculation.marksOf(id)].length === 0)).toHaveLength(1);
    expect(job.item.size).toBeGreaterThanOrEqual(120);
  });

  it('is drawn to the same bytes every time, and the committed files are those', async () => {
    const drawn = await drawSet('Tern Island Boathouse, bid set', BOATHOUSE_SHEETS);
    expect(Buffer.from(drawn).equals(read('tern-island-boathouse.pdf'))).toBe(true);
  });
});
