import { MM } from './plan.ts';
import { A1 } from './sheets.ts';
import type { Content } from './walls.ts';

/** A sheet with a title block and views, and what a person reads off it. */
export interface TitledSheet {
  readonly name: string;
  readonly content: Content;
  /** Real over drawn for the whole sheet; undefined where none holds for it. */
  readonly ratio: number | undefined;
  /** What the views are drawn at, in words that must be offered. */
  readonly ratios: readonly number[];
}

interface Text {
  readonly x: number;
  readonly y: number;
  readonly size: number;
  readonly words: string;
}

const { width, height } = A1;

const write = ({ x, y, size, words }: Text): Content =>
  `BT /F1 ${size} Tf 1 0 0 1 ${x.toFixed(2)} ${(height - y).toFixed(2)} Tm (${words.replace(/[()\\]/g, '\\$&')}) Tj ET`;

/** About what a Helvetica text of this size is wide. */
const wide = (words: string, size: number): number => words.length * size * 0.53;

/** Where five offices put the word scale and what they write for it. */
const LAYOUTS: Readonly<Record<string, (value: string) => readonly Text[]>> = {
  'right column, value below its label': (value) => {
    const x = width - 70 * MM;
    return [
      { x, y: height - 60 * MM, size: 6, words: 'DRAWING TITLE' },
      { x, y: height - 52 * MM, size: 14, words: 'Upper floor plan' },
      { x, y: height - 40 * MM, size: 6, words: 'SCALE' },
      { x, y: height - 34 * MM, size: 10, words: value },
      { x: x + 34 * MM, y: height - 40 * MM, size: 6, words: 'DATE' },
      { x: x + 34 * MM, y: height - 34 * MM, size: 10, words: '12.03.26' },
      { x, y: height - 18 * MM, size: 22, words: 'A-204' },
    ];
  },
  'bottom strip, value beside its label': (value) => {
    const y = height - 14 * MM;
    return [
      { x: 60 * MM, y, size: 9, words: 'Project: Mill end store' },
      { x: 330 * MM, y, size: 9, words: 'Drawn:' },
      { x: 352 * MM, y, size: 9, words: 'KL' },
      { x: 430 * MM, y, size: 9, words: 'Scale:' },
      { x: 455 * MM, y, size: 9, words: value },
      { x: 640 * MM, y, size: 9, words: 'Drawing no.' },
      { x: 670 * MM, y, size: 9, words: 'ME-12-07' },
    ];
  },
  'table at the corner, label below its value': (value) => {
    const x = width - 120 * MM;
    return [
      { x, y: height - 44 * MM, size: 16, words: 'Ground floor, north wing' },
      { x, y: height - 40 * MM, size: 5, words: 'Title' },
      { x, y: height - 24 * MM, size: 11, words: value },
      { x, y: height - 20 * MM, size: 5, words: 'Scale' },
      { x: x + 60 * MM, y: height - 24 * MM, size: 11, words: '07/2026' },
      { x: x + 60 * MM, y: height - 20 * MM, size: 5, words: 'Date' },
      { x: x + 90 * MM, y: height - 24 * MM, size: 18, words: 'S101' },
    ];
  },
  'one text with the word and the scale': (value) => [
    { x: width - 150 * MM, y: height - 30 * MM, size: 12, words: 'Roof plan and eaves' },
    { x: width - 150 * MM, y: height - 22 * MM, size: 8, words: `SCALE ${value}` },
    { x: width - 40 * MM, y: height - 18 * MM, size: 24, words: 'A7' },
  ],
  'label and value written in pieces': (value) => {
    const [x, y, size] = [width - 66 * MM, 120 * MM, 9];
    let at = x;
    const pieces = ['Scale', ':', ...value.split(/(?<=[:=@"'])|(?=[:=@"'])/)].filter(
      (each) => each.trim() !== '',
    );
    return [
      { x, y: y - 20, size: 13, words: 'Section through the yard' },
      ...pieces.map((words): Text => {
        const text = { x: at, y, size, words: words.trim() };
        at += wide(words.trim(), size) + 2.5;
        return text;
      }),
    ];
  },
};

interface Printed {
  readonly value: string;
  readonly ratio: number | undefined;
  readonly views: readonly (readonly [words: string, ratio: number])[];
}

const PRINTED: readonly Printed[] = [
  { value: '1:50', ratio: 50, views: [] },
  { value: '1:100 @ A1', ratio: 100, views: [] },
  { value: '1:50 @ A1 / 1:100 @ A3', ratio: 50, views: [] },
  { value: `1/4"=1'-0"`, ratio: 48, views: [] },
  { value: `3/32" = 1'-0"`, ratio: 128, views: [] },
  { value: `1 1/2" = 1'-0"`, ratio: 8, views: [] },
  { value: `1" = 20'`, ratio: 240, views: [] },
  { value: '1:125', ratio: 125, views: [['PLAN  1:125', 125]] },
  { value: 'AS SHOWN', ratio: 100, views: [['GROUND FLOOR 1:100', 100]] },
  {
    value: 'AS NOTED',
    ratio: undefined,
    views: [
      ['PLAN 1:50', 50],
      ['DETAIL AT SILL 1:5', 5],
      ['SECTION 1:20', 20],
    ],
  },
  { value: 'NTS', ratio: undefined, views: [] },
  { value: 'Not to scale', ratio: undefined, views: [[`3/4" = 1'-0"`, 16]] },
];

/** What stands about on sheets and is no scale, no title and no number. */
const NOISE: readonly Text[] = [
  { x: 200, y: 300, size: 8, words: 'RAMP 1:12 UP' },
  { x: 260, y: 420, size: 8, words: 'Fall 1:60 to gully' },
  {
    x: width * 0.75,
    y: 200,
    size: 9,
    words: '1. All dimensions are to be checked on site before work begins.',
  },
  { x: width * 0.75, y: 216, size: 9, words: '2. Screed 1:4 on 50 mm insulation. Read with A-601.' },
  { x: 700, y: 500, size: 10, words: 'OFFICE 12' },
  { x: 620, y: 640, size: 7, words: `4'-6"` },
  { x: 900, y: 700, size: 7, words: '12:30' },
];

/** Every way of writing a scale in every layout. */
export const titledSheets = (): readonly TitledSheet[] =>
  Object.entries(LAYOUTS).flatMap(([layout, place]) =>
    PRINTED.map(({ value, ratio, views }): TitledSheet => {
      const viewTexts = views.map(([words], i): Text => ({
        x: 160 + 500 * i,
        y: height * 0.7,
        size: 11,
        words,
      }));
      return {
        name: `${value}, ${layout}`,
        content: [...place(value), ...viewTexts, ...NOISE].map(write).join('\n'),
        ratio,
        ratios: views.map(([, each]) => each),
      };
    }),
  );
