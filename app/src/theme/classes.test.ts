/** @jest-environment jsdom */
import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { classes } from './classes.ts';

const SOURCE = path.join(import.meta.dirname, '..');
const SHEETS = readdirSync(SOURCE, { recursive: true, encoding: 'utf8' }).filter(
  (file) => path.basename(file) === 'styles.ts' || file === path.join('theme', 'layout.ts'),
);
const VIEWS = readdirSync(SOURCE, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.tsx') && !file.endsWith('.test.tsx'))
  .map((file) => readFileSync(path.join(SOURCE, file), 'utf8'))
  .join('\n');

describe('styles written as classes', () => {
  it('are named after their key, in the tokens of the theme', () => {
    const { tallyRow } = classes({ tallyRow: { color: 'fg.muted', '&.on': { bg: 'zest.wash' } } });
    expect(tallyRow).toBe('tally-row');
    const written = [...document.querySelectorAll('style')].map((style) => style.textContent).join('');
    const rules =
      written +
      [...document.styleSheets]
        .flatMap((sheet) => [...sheet.cssRules])
        .map((rule) => rule.cssText)
        .join('');
    expect(rules).toMatch(/\.tally-row\s*\{\s*color:\s*var\(--chakra-colors-fg-muted\)/);
    expect(rules).toContain('.tally-row.on');
  });

  it('are each used by a view, and stay out of the one global sheet', () => {
    expect(SHEETS.length).toBeGreaterThan(10);
    const unused = SHEETS.flatMap((file) => {
      const text = readFileSync(path.join(SOURCE, file), 'utf8');
      // The editor of formulas names the classes of its own list.
      return [...text.matchAll(/^ {2}(\w+): \{/gm)]
        .filter(([, key]) => key?.startsWith('cm') !== true)
        .map(([, key]) => `${file === path.join('theme', 'layout.ts') ? 'layout' : 'styles'}.${key}`)
        .filter((use) => !new RegExp(`${use.replace('.', '\\.')}\\b`).test(VIEWS))
        .map((use) => `${file}: ${use}`);
    });
    expect(unused).toEqual([]);
    const global = readFileSync(path.join(SOURCE, 'theme/zest.css'), 'utf8').split('\n').length;
    expect(global).toBeLessThanOrEqual(250);
  });
});
