import type { MakeId } from '../../job/id.ts';
import { keyFor } from '../../job/keyFor.ts';
import { checkRecord } from '../../job/checkRecord.ts';
import type { JobProblem } from '../../job/problem.ts';
import { type Assembly, type AssemblyInput, COST_KINDS, type Component } from '../../job/records/assembly.ts';
import { MARK_KIND, MARK_KINDS, measuresOf } from '../../job/markKinds.ts';

/** A sheet of a workbook: the first row names the columns. */
export interface Rows {
  readonly name: string;
  readonly rows: readonly (readonly string[])[];
}

const ASSEMBLY_COLUMNS = ['Assembly', 'For', 'Folder', 'Search words', 'Description', 'Note'] as const;
const QUESTION_COLUMNS = [
  'Assembly',
  'Question',
  'Name in formulas',
  'Default',
  'Unit',
  'At least',
  'At most',
  'Group',
  'Asked where',
  'Hint',
  'Choices',
] as const;
const COMPONENT_COLUMNS = [
  'Assembly',
  'Component',
  'Name in formulas',
  'Kind',
  'Formula',
  'Unit',
  'Waste %',
  'To spare',
  'Round to',
  'At least',
  'Rounded over the job',
  'For each mark',
  'Counted where',
  'Price book',
  'Part number',
  'Cost code',
  'Waste acts on',
  'Hours times',
  'Family',
  'Sizes',
] as const;

const YES = 'yes';

/** Assemblies as three sheets that an estimator can fill in: assemblies, questions, components. */
export const writeAssemblyRows = (assemblies: readonly Assembly[]): readonly Rows[] => [
  {
    name: 'Assemblies',
    rows: [
      ASSEMBLY_COLUMNS,
      ...assemblies.map(({ name, measures, folder = '', tags = '', description, note = '' }) => [
        name,
        MARK_KIND[measures].inFiles,
        folder,
        tags,
        description,
        note,
      ]),
    ],
  },
  {
    name: 'Questions',
    rows: [
      QUESTION_COLUMNS,
      ...assemblies.flatMap((assembly) => assembly.inputs.map((input) => questionRow(assembly.name, input))),
    ],
  },
  {
    name: 'Components',
    rows: [
      COMPONENT_COLUMNS,
      ...assemblies.flatMap((assembly) =>
        assembly.components.map((each) => componentRow(assembly.name, each)),
      ),
    ],
  },
];

const questionRow = (assembly: string, input: AssemblyInput): readonly string[] => [
  assembly,
  input.question,
  input.key,
  input.value,
  input.unit,
  input.min ?? '',
  input.max ?? '',
  input.group ?? '',
  input.when ?? '',
  input.hint,
  input.choices.map(({ label, value }) => `${label} = ${value}`).join('; '),
];

const componentRow = (assembly: string, each: Component): readonly string[] => [
  assembly,
  each.name,
  each.key,
  each.kind,
  each.formula,
  each.unit,
  each.wastePercent,
  each.spares ?? '',
  each.roundUpTo,
  each.minimum ?? '',
  each.roundAt === 'job' ? YES : '',
  each.per === 'mark' ? YES : '',
  each.when ?? '',
  each.itemCode,
  each.partNumber ?? '',
  each.costCode ?? '',
  each.wasteOn?.join(', ') ?? '',
  each.hoursFactor ?? '',
  each.sizing?.family ?? '',
  Object.entries(each.sizing?.by ?? {})
    .map(([key, formula]) => `${key} = ${formula}`)
    .join('; '),
];

/** Why a row was left out; rows are counted as in the sheet. */
export type RowProblem = { readonly sheet: string; readonly row: number } & (
  | { readonly kind: 'row-no-assembly'; readonly name: string }
  | {
      readonly kind: 'row-word';
      readonly column: string;
      readonly text: string;
      readonly known: readonly string[];
    }
  | { readonly kind: 'row-twice'; readonly name: string }
  | { readonly kind: 'row-refused'; readonly problem: JobProblem }
  | { readonly kind: 'row-column-missing'; readonly column: string }
);

export interface ReadAssemblies {
  readonly assemblies: readonly Assembly[];
  readonly problems: readonly RowProblem[];
}

type Row = { readonly sheet: string; readonly row: number; readonly get: (column: string) => string };

/** Rows as they are read by their column's name, empty ones passed over. */
function readRows(
  sheets: readonly Rows[],
  name: string,
  columns: readonly string[],
  problems: RowProblem[],
): readonly Row[] {
  const found = sheets.find((each) => each.name.trim().toLowerCase() === name.toLowerCase());
  const [header = [], ...body] = found?.rows ?? [];
  const at = new Map(header.map((text, index) => [text.trim().toLowerCase(), index]));
  const [first = ''] = columns;
  const missing = [first, columns[1] ?? ''].find((column) => !at.has(column.toLowerCase()));
  if (missing !== undefined) {
    problems.push({ kind: 'row-column-missing', sheet: name, row: 1, column: missing });
    return [];
  }
  return body
    .map((cells, index): Row => ({
      sheet: name,
      row: index + 2,
      get: (column) => (cells[at.get(column.toLowerCase()) ?? -1] ?? '').trim(),
    }))
    .filter(({ get }) => columns.some((column) => get(column) !== ''));
}

const isYes = (text: string): boolean => ['yes', 'y', '1', 'true', 'x'].includes(text.toLowerCase());

/** A word of a list, or a problem that names the list. */
function oneOf<Word extends string>(
  row: Row,
  column: string,
  words: Readonly<Record<string, Word>>,
  usual: Word,
  problems: RowProblem[],
): Word | undefined {
  const text = row.get(column);
  if (text === '') return usual;
  const found = words[text.toLowerCase()];
  if (found === undefined)
    problems.push({
      kind: 'row-word',
      sheet: row.sheet,
      row: row.row,
      column,
      text,
      known: Object.keys(words),
    });
  return found;
}

const KIND_WORDS = Object.fromEntries(
  MARK_KINDS.flatMap((kind) => [
    [MARK_KIND[kind].inFiles, kind],
    [kind, kind],
  ]),
) as Readonly<Record<string, Assembly['measures']>>;
const COST_WORDS = Object.fromEntries(COST_KINDS.map((kind) => [kind, kind])) as Readonly<
  Record<string, Component['kind']>
>;

const optional = <Key extends string>(key: Key, text: string): { readonly [K in Key]?: string } =>
  (text === '' ? {} : { [key]: text }) as { readonly [K in Key]?: string };

const plain = (text: string): string => (text === '' ? '0' : text);

interface Draft {
  readonly row: Row;
  readonly head: Assembly;
  readonly inputs: AssemblyInput[];
  readonly components: Component[];
  readonly keys: Set<string>;
}

function readDrafts(rows: readonly Row[], makeId: MakeId, problems: RowProblem[]): Map<string, Draft> {
  const drafts = new Map<string, Draft>();
  for (const row of rows) {
    const name = row.get('Assembly');
    const measures = oneOf(row, 'For', KIND_WORDS, 'run', problems);
    if (measures === undefined) continue;
    if (drafts.has(name)) {
      problems.push({ kind: 'row-twice', sheet: row.sheet, row: row.row, name });
      continue;
    }
    const head: Assembly = {
      type: 'assembly',
      id: makeId('assembly'),
      name,
      description: row.get('Description'),
      measures,
      order: drafts.size + 1,
      inputs: [],
      components: [],
      ...optional('folder', row.get('Folder')),
      ...optional('tags', row.get('Search words')),
      ...optional('note', row.get('Note')),
    };
    drafts.set(name, { row, head, inputs: [], components: [], keys: new Set(measuresOf(measures)) });
  }
  return drafts;
}

function keyIn(draft: Draft, row: Row, name: string): string {
  const own = row.get('Name in formulas');
  const key = keyFor(own === '' ? name : own, draft.keys, 'part');
  draft.keys.add(key);
  return key;
}

function readQuestion(draft: Draft, row: Row): AssemblyInput {
  const choices = row
    .get('Choices')
    .split(';')
    .flatMap((part) => {
      const at = part.lastIndexOf('=');
      return at < 0 ? [] : [{ label: part.slice(0, at).trim(), value: part.slice(at + 1).trim() }];
    });
  return {
    key: keyIn(draft, row, row.get('Question')),
    question: row.get('Question'),
    unit: row.get('Unit'),
    value: plain(row.get('Default')),
    hint: row.get('Hint'),
    choices,
    ...optional('min', row.get('At least')),
    ...optional('max', row.get('At most')),
    ...optional('group', row.get('Group')),
    ...optional('when', row.get('Asked where')),
  };
}

/** `trade_size = size * 1 in; depth = 4 in`: the sizes an item of the family is looked for by. */
function sizingOf(family: string, sizes: string): Pick<Component, 'sizing'> {
  if (family === '') return {};
  const by = sizes.split(';').flatMap((each) => {
    const at = each.indexOf('=');
    return at < 0 ? [] : [[each.slice(0, at).trim(), each.slice(at + 1).trim()] as const];
  });
  return { sizing: { family, by: Object.fromEntries(by) } };
}

/** `material, labor`, in any order; words that are no kind of cost are passed over by the schema. */
function wasteOnOf(text: string): Pick<Component, 'wasteOn'> {
  const kinds = text
    .toLowerCase()
    .split(/[,;]\s*/)
    .filter((word) => word.trim() !== '');
  return kinds.length === 0 ? {} : { wasteOn: kinds as unknown as NonNullable<Component['wasteOn']> };
}

function readComponent(draft: Draft, row: Row, kind: Component['kind']): Component {
  const name = row.get('Component');
  return {
    key: keyIn(draft, row, name),
    name,
    kind,
    unit: row.get('Unit') === '' ? 'ea' : row.get('Unit'),
    formula: plain(row.get('Formula')),
    wastePercent: plain(row.get('Waste %')),
    roundUpTo: row.get('Round to'),
    itemCode: row.get('Price book'),
    ...optional('spares', row.get('To spare')),
    ...optional('minimum', row.get('At least')),
    ...optional('when', row.get('Counted where')),
    ...optional('partNumber', row.get('Part number')),
    ...optional('costCode', row.get('Cost code')),
    ...optional('hoursFactor', row.get('Hours times')),
    ...wasteOnOf(row.get('Waste acts on')),
    ...sizingOf(row.get('Family'), row.get('Sizes')),
    ...(isYes(row.get('Rounded over the job')) ? { roundAt: 'job' as const } : {}),
    ...(isYes(row.get('For each mark')) ? { per: 'mark' as const } : {}),
  };
}

/** Reads assemblies out of filled-in sheets. What cannot be read is left out, with its row and the reason. */
export function readAssemblyRows(sheets: readonly Rows[], makeId: MakeId): ReadAssemblies {
  const problems: RowProblem[] = [];
  const drafts = readDrafts(readRows(sheets, 'Assemblies', ASSEMBLY_COLUMNS, problems), makeId, problems);
  const draftOf = (row: Row): Draft | undefined => {
    const name = row.get('Assembly');
    const draft = drafts.get(name);
    if (draft === undefined) problems.push({ kind: 'row-no-assembly', sheet: row.sheet, row: row.row, name });
    return draft;
  };
  for (const row of readRows(sheets, 'Questions', QUESTION_COLUMNS, problems)) {
    const draft = draftOf(row);
    if (draft !== undefined) keepIf(row, draft, { inputs: [readQuestion(draft, row)] }, problems);
  }
  for (const row of readRows(sheets, 'Components', COMPONENT_COLUMNS, problems)) {
    const draft = draftOf(row);
    const kind = oneOf(row, 'Kind', COST_WORDS, 'material', problems);
    if (draft !== undefined && kind !== undefined)
      keepIf(row, draft, { components: [readComponent(draft, row, kind)] }, problems);
  }
  const assemblies = [...drafts.values()].flatMap(
    ({ row, head, inputs, components }): readonly Assembly[] => {
      const checked = checkRecord('assembly', { ...head, inputs, components });
      if (checked.ok) return [checked.value];
      problems.push({ kind: 'row-refused', sheet: row.sheet, row: row.row, problem: checked.problem });
      return [];
    },
  );
  return { assemblies, problems };
}

/** Keeps a question or component if it would stand alone; its own row is named if not. */
function keepIf(
  row: Row,
  draft: Draft,
  part: { readonly inputs?: AssemblyInput[]; readonly components?: Component[] },
  problems: RowProblem[],
): void {
  const checked = checkRecord('assembly', { ...draft.head, name: draft.head.name || 'Assembly', ...part });
  if (checked.ok) {
    draft.inputs.push(...(part.inputs ?? []));
    draft.components.push(...(part.components ?? []));
  } else problems.push({ kind: 'row-refused', sheet: row.sheet, row: row.row, problem: checked.problem });
}
