import { describe, expect, it } from '@jest/globals';
import { compileFormula } from '@zest/core/formula/compile';
import { AREA, LENGTH, VOLUME } from '@zest/core/units/dimension';
import { describeFailure, shortFailure } from './describeFailure.ts';
import { type Problem, describeProblem } from './describeProblem.ts';
import { createJob } from '@zest/core/job/job';

const names = {
  findDimension: (reference: { type: string; name?: string }) =>
    ({ length: LENGTH, area: AREA })[reference.name ?? ''],
  listNames: () => ['length', 'area'],
};
const say = (source: string, wanted?: typeof VOLUME): string => {
  const formula = compileFormula(source, names as never, wanted);
  return formula.ok ? 'fine' : describeProblem(formula.problem);
};

describe('what is said of a problem', () => {
  it('names both sides where dimensions do not fit', () => {
    expect(say('length + area')).toBe('length + area: a length cannot be added to an area.');
    expect(say('area - length')).toBe('area - length: a length cannot be taken from an area.');
    expect(say('area', VOLUME)).toBe('This gives an area; a volume is needed here.');
  });

  it('proposes what was probably meant', () => {
    expect(say('lenght')).toBe('No match for ‘lenght’ here. Did you mean length?');
  });

  it.each<[Problem, RegExp]>([
    [{ kind: 'pdf-locked' }, /password/],
    [{ kind: 'pdf-too-many-pages', pages: 3000, limit: 1000 }, /3,000 pages.*1,000/],
    [{ kind: 'zestjob-newer', version: 9, known: 1 }, /newer Zest Line.*Update/],
    [
      {
        kind: 'zestjob-record',
        index: 4,
        problem: { kind: 'record-unknown-field', type: 'scope', field: 'glow' },
      },
      /Record 5.*glow/,
    ],
    [
      { kind: 'record-invalid', type: 'scope', field: 'name', reason: { fault: 'too-long', limit: 200 } },
      /The name of the scope is too long; the limit is 200/,
    ],
    [{ kind: 'disk-full' }, /disk is full.*export/],
    [{ kind: 'assembly-in-use', name: 'Wall', scopes: ['P1', 'P2'] }, /‘P1’ and ‘P2’/],
    [{ kind: 'scale-not-read', text: 'large' }, /‘large’.*1:100/],
  ])('says what happened, to what, and what to do', (problem, words) => {
    const text = describeProblem(problem);
    expect(text).toMatch(words);
    expect(text.endsWith('.')).toBe(true);
  });

  it('shortens what someone typed, so that a message stays a sentence', () => {
    expect(
      describeProblem({ kind: 'typed-not-a-number', text: 'x'.repeat(5000), example: '9.80' }).length,
    ).toBeLessThan(200);
  });
});

describe('what stands where a figure would', () => {
  it('is short in the cell and whole on asking', () => {
    const job = createJob([]);
    const failure = {
      kind: 'units-do-not-convert',
      measured: VOLUME,
      measuredUnit: 'yd³',
      priced: 'ft²',
      code: 'CN-1',
    } as const;
    expect(shortFailure(failure)).toBe('units differ');
    expect(describeFailure(failure, job)).toBe(
      'Measured in yd³ (a volume), but CN-1 is priced per ft². Choose an item with a matching unit.',
    );
    expect(shortFailure({ kind: 'no-scale', sheetId: 'sheet:a' })).toBe('no scale');
  });
});
