import { describe, expect, it } from '@jest/globals';
import { put } from '../job/change.ts';
import { applyDiff, createJob, settingsOf } from '../job/job.ts';
import { createTestJob } from '../testing/job.ts';
import { asWritten } from './texts.ts';
import { takeFromLibrary, tradeLibrary } from './tradeLibrary.ts';
import { startJob } from './startJob.ts';

const loud = (text: string): string => text.toUpperCase();
const us = tradeLibrary('us');
const said = tradeLibrary('us', loud);

describe('the library in another language', () => {
  it('has other words, and the same formulas, keys, codes and units', () => {
    us.forEach((assembly, at) => {
      const other = said[at];
      expect([other?.key, other?.name]).toEqual([assembly.name, assembly.name.toUpperCase()]);
      const bones = (each: typeof assembly) => [
        each.inputs.map(({ key, unit, value, when }) => [key, unit, value, when]),
        each.components.map(({ key, formula, itemCode, unit }) => [key, formula, itemCode, unit]),
        each.checks?.map(({ when }) => when),
        each.items.map(({ code, unit, material }) => [code, unit, material]),
        each.tables.map(({ key, rows }) => [key, rows]),
      ];
      expect(bones(other as typeof assembly)).toEqual(bones(assembly));
    });
  });

  it('keeps the figures in its notes and warnings', () => {
    const braces = (text = ''): readonly string[] => text.match(/\{[^}]*\}/g) ?? [];
    us.forEach((assembly, at) => {
      expect(braces(said[at]?.note)).toEqual(braces(assembly.note));
      expect(said[at]?.checks?.map(({ text }) => braces(text))).toEqual(
        assembly.checks?.map(({ text }) => braces(text)),
      );
    });
  });

  it('is copied into a job as it reads, and known again by what it was written as', () => {
    const { job, makeId } = createTestJob();
    const assembly = said.find(({ key }) => key === 'Stud partition for board') ?? said[0]!;
    const diff = takeFromLibrary(assembly, makeId('assembly'), makeId)(job);
    if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
    const copies = [...applyDiff(job, diff.value).assembly.values()];
    const copy = copies.find(({ origin }) => origin?.key === assembly.key);
    expect(copy?.name).toBe(assembly.name);
    expect(copy?.components[0]?.name).toBe(assembly.components[0]?.name.toUpperCase());
  });

  it('begins a job in it: sections, markups, crafts, items and assemblies', () => {
    const { job, makeId } = createTestJob();
    const { name, client, unitSystem, currency, decimalMark, groupMark } = settingsOf(job);
    const asked = { name, client, unitSystem, currency, decimalMark, groupMark };
    const begun = createJob(startJob(asked, makeId, loud));
    expect([...begun.section.values()].map((each) => each.name)).toContain('CONCRETE');
    expect([...begun.craft.values()].map((each) => each.name)).toContain('CARPENTER');
    expect(
      [...begun.item.values()].every(({ description }) => description === description.toUpperCase()),
    ).toBe(true);
    expect(put(...startJob(asked, makeId, asWritten))(createJob([])).ok).toBe(true);
  });
});
