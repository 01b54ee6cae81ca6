import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { ALL_CHECKS } from './allChecks.ts';
import { writeChecks } from './writeChecks.ts';

describe.each(ALL_CHECKS)('$subject', ({ checks }) => {
  it.each(checks)('$figure: $expected $unit ($source)', ({ expected, within, got }) => {
    const off = Math.abs(got() - expected);
    expect(off).toBeLessThanOrEqual(within ?? Math.abs(expected) * 1e-9);
  });
});

it('are eighty figures and more, each told once, and docs/checks.md lists them (`npm run docs`)', () => {
  const told = ALL_CHECKS.flatMap(({ subject, checks }) =>
    checks.map(({ figure }) => `${subject}: ${figure}`),
  );
  expect(told.length).toBeGreaterThanOrEqual(80);
  expect(new Set(told).size).toBe(told.length);
  expect(readFileSync(`${__dirname}/../../../docs/checks.md`, 'utf8')).toBe(writeChecks());
});
