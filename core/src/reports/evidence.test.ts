import { describe, expect, it } from '@jest/globals';
import { leadingMeasure } from '../job/markKinds.ts';
import { POINT_FORMAT } from '../units/numberFormat.ts';
import { startBusyBench } from '../testing/randomEdits.ts';
import { createBench } from '../testing/priced.ts';
import { listUnpriced } from './unpriced.ts';
import { estimateReport } from './estimateReport.ts';
import { type EvidenceChoice, gatherEvidence } from './evidence.ts';

const US = { system: 'us', numbers: POINT_FORMAT } as const;
const gather = (bench: ReturnType<typeof startBusyBench>, choice: EvidenceChoice = { of: 'all' }) =>
  gatherEvidence(bench.calculation.figures, choice, US, '2026-11-28');

describe('a book of evidence', () => {
  it('has every line that the bid holds, in the order of the estimate, and none of which there is nothing', () => {
    const bench = startBusyBench();
    const lines = gather(bench).lines.map(({ key }) => key);
    const held = estimateReport(bench.calculation.figures).flatMap(({ row, extension, quantity }) =>
      ['component', 'purchase', 'quote', 'line'].includes(row.type) && !(extension === 0 && quantity === 0)
        ? [row.key]
        : [],
    );
    expect(lines).toEqual(held);
    expect(lines.length).toBeGreaterThan(5);
    // What has no price is in it, and says so.
    for (const { key } of listUnpriced(bench.calculation.figures)) expect(lines).toContain(key);
  });

  it('leads each line that rests on marks to a scope with its tape, and every scope back to its lines', () => {
    const { lines, scopes } = gather(startBusyBench());
    const known = new Map(scopes.map((each) => [each.scope.id as string, each]));
    expect(lines.some((line) => line.scopes.length > 0)).toBe(true);
    for (const line of lines)
      for (const id of line.scopes) expect(known.get(id)?.lines).toContain(line.number);
    for (const { scope, measures } of scopes) expect(measures[0]?.measure).toBe(leadingMeasure(scope.kind));
  });

  it('shows each mark once, with the number it has on the tape, inside the part of its sheet', () => {
    const { scopes } = gather(startBusyBench());
    for (const { measures, parts } of scopes) {
      const onTape = (measures[0]?.rows ?? []).flatMap((row) =>
        row.by === 'mark' ? [`${row.number} ${row.mark.id}`] : [],
      );
      const shown = parts.flatMap(({ marks }) => marks.map(({ number, mark }) => `${number} ${mark.id}`));
      expect([...shown].sort()).toEqual([...onTape].sort());
      for (const { sheet, marks, part } of parts) {
        expect(part.x).toBeGreaterThanOrEqual(0);
        expect(part.x + part.width).toBeLessThanOrEqual(sheet.widthPt + 1e-6);
        for (const { mark } of marks)
          for (const { x, y } of mark.strokes.flat()) {
            expect(x).toBeGreaterThanOrEqual(part.x - 1e-6);
            expect(x).toBeLessThanOrEqual(part.x + part.width + 1e-6);
            expect(y).toBeGreaterThanOrEqual(part.y - 1e-6);
            expect(y).toBeLessThanOrEqual(part.y + part.height + 1e-6);
          }
      }
    }
  });

  it('is of a section with all inside it, or of the lines chosen', () => {
    const bench = createBench();
    const phase = bench.sectionId('03');
    const inside = {
      type: 'section',
      id: bench.makeId('section'),
      code: '',
      name: 'In',
      parentId: phase,
      order: 1,
    } as const;
    const [one, two, three] = [phase, inside.id, bench.sectionId('09')].map((sectionId, at) =>
      bench.line({ sectionId, description: `Line ${at}`, costs: { material: '5' } }),
    ) as [ReturnType<typeof bench.line>, ReturnType<typeof bench.line>, ReturnType<typeof bench.line>];
    bench.change(inside, one, two, three);
    const names = (choice: EvidenceChoice): readonly string[] =>
      gather(bench, choice).lines.map(({ name }) => name);
    expect([...names({ of: 'sections', ids: new Set([phase]) })].sort()).toEqual(['Line 0', 'Line 1']);
    expect(names({ of: 'lines', keys: new Set([three.id]) })).toEqual(['Line 2']);
  });

  it('says what was typed over what flows, and why', () => {
    const bench = createBench();
    const line = bench.line({ description: 'Boards', quantity: '10', unit: 'ea', costs: { material: '5' } });
    bench.change({ ...line, pinned: '12', note: 'two spare, says the foreman' });
    const [said] = gather(bench).lines;
    expect(said).toMatchObject({
      typedOver: { quantity: '12' },
      note: 'two spare, says the foreman',
      price: 60_00,
    });
    expect(bench.figure(line.id, 'quantity')).toBe(12);
  });
});
