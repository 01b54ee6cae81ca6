import type { Job } from '@zest/core/job/job';
import type { OwnWorkbookProblem } from '@zest/core/formats/ownWorkbook/package';
import type { PresetProblem } from '@zest/core/formats/report/preset';
import type { ReportProblem } from '@zest/core/reports/problem';
import { describeFormula } from './describeFormula.ts';
import { listWith } from './lists.ts';
import { quote } from './quote.ts';
import { headingOfField } from './reportWords.ts';
import { t } from './t.ts';
import { fileSize } from './words.ts';

type Described<Kind> = Extract<ReportProblem, { readonly kind: Kind }>;
type Words = {
  readonly [Kind in ReportProblem['kind']]: (problem: Described<Kind>, job: Job) => string;
};

const WORDS: Words = {
  'report-field': ({ column, field }, job) =>
    t('report.noSuchField', { column: quote(column), field: headingOfField(field, job) }),
  'report-property': ({ column, property }) =>
    t('report.propertyIsGone', { column: quote(column), property: quote(property) }),
  'report-condition': ({ field }, job) =>
    t('report.conditionIsGone', { field: quote(headingOfField(field, job)) }),
  'report-value': ({ field, value }, job) =>
    t('report.conditionIsNoFigure', { field: quote(headingOfField(field, job)), value: quote(value) }),
  'report-formula': ({ column, problem }) =>
    t('report.formulaIsWrong', { column: quote(column), problem: describeFormula(problem) }),
  'report-loop': ({ column }) => t('report.formulaComesBackToItself', { column: quote(column) }),
  'report-column': ({ column, use }) =>
    t(use === 'group' ? 'report.groupIsGone' : use === 'sort' ? 'report.sortIsGone' : 'report.weightIsGone', {
      column: quote(column),
    }),
  'report-total': ({ column }) => t('report.sumWouldCountTwice', { column: quote(column) }),
  'report-key': ({ column }) => t('report.nameTakenTwice', { column: quote(column) }),
};

/** What is wrong with a report, by name, and what comes of it. */
export const describeReportProblem = (problem: ReportProblem, job: Job): string =>
  (WORDS[problem.kind] as (each: ReportProblem, of: Job) => string)(problem, job);

type Of<Problems extends { readonly kind: string }, Result extends string = string> = {
  readonly [Kind in Problems['kind']]: (
    name: string,
    problem: Extract<Problems, { readonly kind: Kind }>,
  ) => Result;
};

const PRESETS: Of<PresetProblem> = {
  'preset-not-json': (name) => t('report.presetIsNoReport', { name: quote(name) }),
  'preset-other-format': (name) => t('report.presetIsNoReport', { name: quote(name) }),
  'preset-newer': (name, { version }) => t('report.presetIsNewer', { name: quote(name), version }),
  'preset-wrong': (name, { field }) => t('report.presetIsWrong', { name: quote(name), field: quote(field) }),
};

/** What is wrong with a report that was shared as a file. */
export const describePreset = (name: string, problem: PresetProblem): string =>
  (PRESETS[problem.kind] as (of: string, each: PresetProblem) => string)(name, problem);

const WORKBOOKS: Of<OwnWorkbookProblem> = {
  'own-workbook-damaged': (name) => t('report.workbookIsDamaged', { name: quote(name) }),
  'own-workbook-too-large': (name, { limit }) =>
    t('report.workbookIsTooLarge', { name: quote(name), limit: fileSize(limit) }),
  'own-workbook-no-names': (name, { found }) =>
    found.length === 0
      ? t('report.workbookHasNoNames', { name: quote(name) })
      : t('report.workbookHasOtherNames', {
          name: quote(name),
          found: listWith('and', found.slice(0, 6).map(quote)),
        }),
  'own-workbook-lost-name': (_name, problem) => t('report.nameIsLost', { name: quote(problem.name) }),
  'own-workbook-key-missing': (_name, problem) => t('report.keyIsMissing', { name: quote(problem.name) }),
  'own-workbook-not-beside': (_name, problem) =>
    t('report.rangeIsNotBeside', { name: quote(problem.name), key: quote(problem.key) }),
  'own-workbook-formula': (_name, { cell, sheet, name }) =>
    t('report.cellCalculates', { cell, sheet: quote(sheet), name: quote(name) }),
};

/** What is wrong with a workbook that was to be filled. */
export const describeOwnWorkbook = (name: string, problem: OwnWorkbookProblem): string =>
  (WORKBOOKS[problem.kind] as (of: string, each: OwnWorkbookProblem) => string)(name, problem);
