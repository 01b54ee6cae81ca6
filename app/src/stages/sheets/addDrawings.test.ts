import { describe, expect, it } from '@jest/globals';
import { applyDiff } from '@zest/core/job/job';
import { createTestJob } from '@zest/core/testing/job';
import type { Services } from '../../platform/services.ts';
import type { PageText } from '../../workers/sheetProtocol.ts';
import { planDrawings } from './addDrawings.ts';

const { job, makeId } = createTestJob();
const word = (text: string, x: number, y: number, height: number): PageText => ({
  text,
  x,
  y,
  height,
  width: 60,
});
const block = (number: string, title: string): readonly PageText[] => [
  word('SHEET TITLE', 2140, 1400, 7),
  word(title, 2140, 1426, 19),
  word(number, 2180, 1650, 54),
];
const pages = [
  block('A-101', 'Ground floor plan'),
  block('S-102', 'Upper floor beams'),
  block('A-102', 'Upper floor plan'),
];
const closed: string[] = [];
const services = {
  makeId,
  sheets: {
    open: async () => ({ ok: true, pageCount: pages.length }),
    page: async (_file: string, index: number) => ({
      widthPt: 2592,
      heightPt: 1728,
      texts: pages[index] ?? [],
    }),
    close: async (file: string) => void closed.push(file),
  },
} as unknown as Services;
const pdf = new File(['%PDF-1.7 …'], 'plans.pdf');
const go = (): boolean => true;

describe('drawings that come in', () => {
  it('become sheets with number, title, discipline and level from their own text', async () => {
    const plan = await planDrawings(services, job, pdf, go);
    if (plan === 'canceled' || !plan.ok) throw new Error('not planned');
    const diff = plan.value.command(job);
    if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
    const after = applyDiff(job, diff.value);
    const levelOf = (id: string | undefined): string =>
      [...after.level.values()].find((level) => level.id === id)?.name ?? '';
    const made = [...after.sheet.values()].slice(job.sheet.size);
    expect(
      made.map(({ number, discipline, levelId, scale }) => [number, discipline, levelOf(levelId), scale]),
    ).toEqual([
      ['A-101', 'Architectural', 'Ground floor', null],
      ['S-102', 'Structural', 'Upper floor', null],
      ['A-102', 'Architectural', 'Upper floor', null],
    ]);
    // One level a name, however many sheets are on it.
    expect(after.level.size).toBe(2);
  });

  it('leave nothing behind when they are canceled', async () => {
    const done: number[] = [];
    const plan = await planDrawings(services, job, pdf, (page) => {
      done.push(page);
      return page < 2;
    });
    expect(plan).toBe('canceled');
    expect(done).toEqual([1, 2]);
    expect(closed).toHaveLength(1);
  });

  it('are refused when they are empty, or nothing that is known', async () => {
    expect(await planDrawings(services, job, new File([], 'empty.pdf'), go)).toMatchObject({
      problem: { kind: 'pdf-empty' },
    });
    expect(await planDrawings(services, job, new File(['Dear estimator'], 'letter.pdf'), go)).toMatchObject({
      problem: { kind: 'pdf-not-pdf' },
    });
  });

  it('take the file name for the title of a scan, which says nothing of itself', async () => {
    const scan = new File([Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 0])], 'Old survey 1962.png');
    const one = {
      ...services,
      sheets: { ...services.sheets, open: async () => ({ ok: true, pageCount: 1 }) },
    };
    const plan = await planDrawings(one as unknown as Services, job, scan, go);
    if (plan === 'canceled' || !plan.ok) throw new Error('not planned');
    const diff = plan.value.command(job);
    expect(diff.ok && diff.value.added).toMatchObject([
      { type: 'file', mediaType: 'image/png' },
      { type: 'sheet', title: 'Old survey 1962' },
    ]);
  });
});
