import type { Workbook } from 'exceljs';
import { type Pack, type PackProblem } from '@zest/core/formats/assemblies/pack';
import { readPack } from '@zest/core/formats/assemblies/read';
import {
  type RowProblem,
  type Rows,
  readAssemblyRows,
  writeAssemblyRows,
} from '@zest/core/formats/assemblies/rows';
import type { MakeId } from '@zest/core/job/id';
import type { Assembly } from '@zest/core/job/records/assembly';
import { describePriceFile } from '../../messages/describePrices.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { WorkerEnded, createGuardedWorker } from '../../platform/guardedWorker.ts';
import type { WorkbookWorker } from '../../workers/workbook.worker.ts';
import { t } from '../../messages/t.ts';
import { BUDGETS_MS, LIMITS } from '@zest/core/formats/limits';

const XLSX_TYPE = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

/** The assemblies as a workbook of three sheets, to be filled in and read back. */
export async function writeAssemblyWorkbook(assemblies: readonly Assembly[]): Promise<Blob> {
  const { default: ExcelJS } = await import('exceljs');
  const book: Workbook = new ExcelJS.Workbook();
  for (const { name, rows } of writeAssemblyRows(assemblies)) {
    const sheet = book.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] });
    // Cells are texts, so that a formula of ours is never taken for one of the spreadsheet's.
    for (const row of rows) sheet.addRow([...row]);
    sheet.getRow(1).font = { bold: true };
    sheet.columns.forEach((column, at) => {
      column.width = at < 2 ? 30 : 18;
      column.numFmt = '@';
    });
  }
  return new Blob([await book.xlsx.writeBuffer()], { type: XLSX_TYPE });
}

/** The sheets of a workbook, read beside the page; or what is wrong with it, in words. */
async function readWorkbook(file: File, stop?: AbortSignal): Promise<readonly Rows[] | string> {
  const worker = createGuardedWorker<WorkbookWorker>(
    () => new Worker(new URL('../../workers/workbook.worker.ts', import.meta.url), { type: 'module' }),
  );
  try {
    const read = await worker.ask(
      (remote) => remote.read(file) as ReturnType<WorkbookWorker['read']>,
      BUDGETS_MS.assemblies,
      stop,
    );
    return read.ok
      ? read.value.map(({ name, rows }) => ({ name, rows }))
      : describePriceFile(read.problem, file.name);
  } catch (error) {
    if (!(error instanceof WorkerEnded)) throw error;
    return describeProblem({ kind: 'reading-ended', why: error.reason });
  } finally {
    worker.end();
  }
}

export interface ReadFile extends Pack {
  /** What was left out, in words. */
  readonly notes: readonly string[];
}

/** Reads assemblies out of a JSON pack or a filled-in workbook; what is wrong comes back in words. */
export async function readAssemblyFile(
  file: File,
  makeId: MakeId,
  stop?: AbortSignal,
): Promise<ReadFile | string> {
  if (file.size > LIMITS.assemblies.bytes)
    return t('assemblies.isLargerThan20MbSplitIt', { name: file.name });
  if (!/\.xlsx$/i.test(file.name)) {
    const pack = readPack(await file.text());
    return pack.ok ? { ...pack.value, notes: [] } : describePack(file.name, pack.problem);
  }
  const sheets = await readWorkbook(file, stop);
  if (typeof sheets === 'string') return sheets;
  const { assemblies, problems } = readAssemblyRows(sheets, makeId);
  return { records: assemblies, notes: problems.map(describeRow) };
}

function describePack(name: string, problem: PackProblem): string {
  switch (problem.kind) {
    case 'pack-not-json':
      return t('assemblies.isDamagedOrNoJsonFileExport', { name });
    case 'pack-other-format':
      return t('assemblies.holdsSomethingElseThanAssembliesChoose', { name });
    case 'pack-newer':
      return t('assemblies.comesFromANewerZestLineFormat', {
        name,
        version: problem.version,
        known: problem.known,
      });
    case 'pack-record':
      return t('assemblies.recordOfWasRefusedNothingWasTaken', {
        place: problem.index + 1,
        name,
        problem: describeProblem(problem.problem),
      });
    case 'pack-record-type':
      return t('assemblies.recordOfIsAWhichDoesNot', { place: problem.index + 1, name, type: problem.type });
    case 'pack-incomplete':
      return t('assemblies.lacksSomethingThatStandsOnExportIt', { name, name2: problem.name });
  }
}

function describeRow(problem: RowProblem): string {
  const where = t('assemblies.row2', { sheet: problem.sheet, row: problem.row });
  switch (problem.kind) {
    case 'row-no-assembly':
      return t('assemblies.noAssemblyIsOnTheFirstSheet', { where, name: problem.name });
    case 'row-word':
      return t('assemblies.isNotOneOfTheRowWas', {
        where,
        column: problem.column,
        text: problem.text,
        value: problem.known.join(', '),
      });
    case 'row-twice':
      return t('assemblies.isThereTwiceTheSecondWasLeft', { where, name: problem.name });
    case 'row-refused':
      return t('assemblies.theRowWasLeftOut', { where, problem: describeProblem(problem.problem) });
    case 'row-column-missing':
      return t('assemblies.theColumnIsMissingInTheFirst', { sheet: problem.sheet, column: problem.column });
  }
}
