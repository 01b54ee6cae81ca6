import { POINT_FORMAT, formatNumber } from '../units/numberFormat.ts';
import { ALL_CHECKS } from './allChecks.ts';
import type { Check } from './check.ts';

const cell = (text: string): string => text.replaceAll('|', '\\|');

const row = ({ figure, expected, unit, source }: Check): string =>
  `| ${cell(figure)} | ${formatNumber(expected, 8, POINT_FORMAT, true)} | ${unit} | ${cell(source)} |`;

/** The checks as a page of tables, for docs/checks.md. */
export const writeChecks = (): string =>
  [
    '# What the figures are checked against',
    '',
    `Each of these ${ALL_CHECKS.reduce((sum, { checks }) => sum + checks.length, 0)} figures comes from outside of the product: a published standard or handbook, a rule of the trade that no standard prints (common practice), or arithmetic anyone can repeat (computed). A test draws, answers and works each one through the product and compares. Written by \`npm run docs\` from \`core/src/checks\`.`,
    '',
    ...ALL_CHECKS.flatMap(({ subject, checks }) => [
      `## ${subject}`,
      '',
      '| figure | value | unit | source |',
      '|---|---:|---|---|',
      ...checks.map(row),
      '',
    ]),
  ].join('\n');
