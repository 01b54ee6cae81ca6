// npm run bench [-- --only PREFIX --json FILE]: prints `name: value unit (ratio)` lines; asserts nothing.
import { measureCrowdedSheet, measureHits, measureSnaps, measureUsualJob } from './desk.ts';
import { importBundled } from './bundled.ts';
import { type BenchFigure, printFigure, writeFigures } from './figures.ts';
import { measureHuge } from './huge.ts';
import { measureLibrary } from './library.ts';
import { type Bench, openBench } from './pages.ts';
import { measureBook, measureLook, measureSearch } from './prices.ts';
import { measureScaleRate, measureSnapRates } from './snapRates.ts';
import { measureEvidence } from './evidence.ts';
import { measureReportFiles } from './reportFiles.ts';
import { measureLargeSet, measureSmallSet } from './sheets.ts';

interface Recalc {
  readonly measureRecalculation: () => readonly BenchFigure[];
}

interface Reports {
  readonly measureReports: () => readonly BenchFigure[];
}

interface Part {
  /** The names it gives begin with these. */
  readonly names: readonly string[];
  readonly measure: (bench: () => Promise<Bench>) => Promise<readonly BenchFigure[]>;
}

const PARTS: readonly Part[] = [
  { names: ['recalc.'], measure: async () => (await importBundled<Recalc>('recalc')).measureRecalculation() },
  { names: ['book.search'], measure: async () => measureSearch() },
  {
    names: ['report.rows'],
    measure: async () => (await importBundled<Reports>('reportRows')).measureReports(),
  },
  {
    names: ['report.open', 'report.edit', 'report.xlsx', 'report.pdf'],
    measure: async (bench) => measureReportFiles(await bench()),
  },
  {
    names: ['evidence.pdf'],
    measure: async (bench) => measureEvidence(await bench()),
  },
  { names: ['look.'], measure: async () => measureLook() },
  { names: ['book.open', 'edit.cell', 'scroll.lines'], measure: async (bench) => measureBook(await bench()) },
  { names: ['library.'], measure: async () => measureLibrary() },
  { names: ['snap.query'], measure: async () => measureSnaps() },
  { names: ['snap.found', 'snap.astray', 'snap.caught'], measure: async () => measureSnapRates() },
  { names: ['scale.found', 'snap.scale'], measure: async () => measureScaleRate() },
  { names: ['hit.50k'], measure: async () => measureHits() },
  { names: ['open.job', 'pan.10k', 'edit.total'], measure: async (bench) => measureUsualJob(await bench()) },
  {
    names: ['pan.50k', 'drag.50k', 'sharp.50k'],
    measure: async (bench) => measureCrowdedSheet(await bench()),
  },
  { names: ['import.huge', 'open.huge'], measure: async (bench) => measureHuge(await bench()) },
  { names: ['pdf.20', 'pdf.tile', 'snap.ready'], measure: async (bench) => measureSmallSet(await bench()) },
  { names: ['pdf.200'], measure: async (bench) => measureLargeSet(await bench()) },
];

const argument = (name: string): string | undefined => {
  const at = process.argv.indexOf(name);
  return at < 0 ? undefined : process.argv[at + 1];
};
const only = argument('--only') ?? '';
const wanted = ({ names }: Part): boolean =>
  names.some((name) => name.startsWith(only) || only.startsWith(name));

let opened: Bench | undefined;
const open = async (): Promise<Bench> => (opened ??= await openBench());
const figures: BenchFigure[] = [];
try {
  for (const part of PARTS.filter(wanted))
    for (const figure of await part.measure(open)) {
      if (!part.names.some((name) => name.startsWith(only)) && !figure.name.startsWith(only)) continue;
      figures.push(figure);
      printFigure(figure);
    }
} finally {
  await opened?.end();
}
const file = argument('--json');
if (file !== undefined) writeFigures(file, figures);
