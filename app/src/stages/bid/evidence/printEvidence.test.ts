import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { Calculation } from '@zest/core/calculate/calculation';
import { readZestjob } from '@zest/core/formats/zestjob/read';
import { settingsOf } from '@zest/core/job/job';
import { gatherEvidence } from '@zest/core/reports/evidence';
import { formatsOf } from '../../../stores/context.tsx';
import { printEvidence } from './printEvidence.ts';

const read = readZestjob(
  new Uint8Array(readFileSync(`${__dirname}/../../../../../demo/files/tern-island-boathouse.zestjob`)),
);
if (!read.ok) throw new Error(JSON.stringify(read.problem));
const { figures } = new Calculation(read.value.job);
const formats = formatsOf(settingsOf(read.value.job));
const today = '2026-11-28';
const evidence = gatherEvidence(figures, { of: 'all' }, formats.display, today);
const document = printEvidence({ evidence, figures, formats, today, about: 'All of it.', pictures: {} });
const cells = document.blocks.flatMap((block) =>
  block.kind === 'table' ? block.table.rows.flatMap((row) => row.cells) : [],
);
const textsOf = (key: string): readonly string[] => {
  const block = document.blocks.find((each) => each.key === key);
  return block?.kind === 'table'
    ? block.table.rows.map((row) => row.cells.map(({ text }) => text).join(' | '))
    : [];
};

describe('the evidence book of the demo', () => {
  it('leads nowhere but to blocks it has, and names each block once', () => {
    const keys = document.blocks.map(({ key }) => key);
    expect(new Set(keys).size).toBe(keys.length);
    const led = cells.flatMap(({ link, pageOf }) => [link, pageOf]).filter((to) => to !== undefined);
    expect(led.length).toBeGreaterThan(evidence.lines.length);
    for (const to of led) expect(keys).toContain(to);
  });

  it('has every line in its contents and as a block of its own', () => {
    for (const { number } of evidence.lines) {
      expect(document.blocks.some(({ key }) => key === `line_${number}`)).toBe(true);
      expect(cells.some(({ pageOf }) => pageOf === `line_${number}`)).toBe(true);
    }
  });

  it('leads a line that is measured to what it was measured by', () => {
    const measured = evidence.lines.filter(({ scopes }) => scopes.length > 0);
    expect(measured.length).toBeGreaterThan(200);
    for (const { number } of measured) {
      const block = document.blocks.find(({ key }) => key === `line_${number}`);
      const links =
        block?.kind === 'table' ? block.table.rows.flatMap((row) => row.cells.map(({ link }) => link)) : [];
      expect(links.some((link) => link?.startsWith('scope_'))).toBe(true);
    }
  });

  it('shows the formula with its figures, the waste, the price and who gave it', () => {
    const block = evidence.lines.find(({ name, under }) => name.startsWith('Block 8') && under !== '');
    expect(textsOf(`line_${block?.number ?? 0}`)).toEqual(
      expect.arrayContaining([
        expect.stringContaining('With its figures: ceil((494′-0″ * 14′-0″'),
        expect.stringContaining('with 5 % waste | 7,363.65 ea'),
        expect.stringContaining('Price from Cobble Yard Supply'),
      ]),
    );
  });

  it('says of each sheet its scale and how it was checked', () => {
    expect(textsOf('sheets')).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^A-101 Ground floor plan.*1:96.*checked: 82.*0\.00 %$/),
      ]),
    );
  });
});
