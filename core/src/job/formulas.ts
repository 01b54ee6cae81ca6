import { type WordRole, listRoles, replaceWords } from '../formula/roles.ts';
import { type Job, findRecord, listRecords } from './job.ts';
import type { JobRecord, RecordOf } from './record.ts';
import type { Assembly } from './records/assembly.ts';
import type { Sizing } from './records/pricing.ts';

/** Words that mean something of their own in a formula, whatever the job calls so. */
export type Hidden = (word: string) => boolean;

/** One formula of a record, and what hides the job's names in it. */
interface Place {
  readonly text: string;
  readonly hides: Hidden;
}

type Change = (place: Place) => string;

const nothing: Hidden = () => false;

const textFormulas = /\{([^{}]*)\}/g;

/** Formulas in the braces of a note. */
export const mapNote = (note: string, change: (formula: string) => string): string =>
  note.replace(textFormulas, (_whole, inner: string) => `{${change(inner)}}`);

/** A quantity that was typed over. */
const mapChoices = ({ pinned }: { readonly pinned?: string | undefined }, on: (text: string) => string) =>
  pinned === undefined ? {} : { pinned: on(pinned) };

/** The sizes an item is looked for by. */
const mapSizing = ({ sizing }: { readonly sizing?: Sizing | undefined }, on: (text: string) => string) =>
  sizing === undefined
    ? {}
    : {
        sizing: {
          ...sizing,
          by: Object.fromEntries(Object.entries(sizing.by).map(([key, text]) => [key, on(text)])),
        },
      };

function mapAssembly(assembly: Assembly, change: Change): Assembly {
  const own = new Set([
    ...assembly.inputs.map(({ key }) => key),
    ...assembly.components.map(({ key }) => key),
    ...(assembly.inner ?? []).map(({ key }) => key),
  ]);
  const hides: Hidden = (word) => own.has(word);
  const on = (text: string): string => change({ text, hides });
  const maybe = <Key extends string>(key: Key, text: string | undefined): { readonly [K in Key]?: string } =>
    (text === undefined ? {} : { [key]: on(text) }) as { readonly [K in Key]?: string };
  return {
    ...assembly,
    inputs: assembly.inputs.map((each) => ({ ...each, value: on(each.value), ...maybe('when', each.when) })),
    components: assembly.components.map((each) => ({
      ...each,
      formula: on(each.formula),
      ...maybe('when', each.when),
      ...maybe('minimum', each.minimum),
      ...maybe('hoursFactor', each.hoursFactor),
      ...mapSizing(each, on),
    })),
    ...(assembly.inner === undefined
      ? {}
      : {
          inner: assembly.inner.map((each) => ({
            ...each,
            formula: on(each.formula),
            answers: Object.fromEntries(Object.entries(each.answers).map(([key, text]) => [key, on(text)])),
            ...maybe('when', each.when),
          })),
        }),
    ...(assembly.checks === undefined
      ? {}
      : {
          checks: assembly.checks.map(({ when, text }) => ({ when: on(when), text: mapNote(text, on) })),
        }),
    ...(assembly.note === undefined ? {} : { note: mapNote(assembly.note, on) }),
    ...(assembly.section === undefined
      ? {}
      : {
          section: assembly.section.map((shape) => ({
            ...shape,
            x: on(shape.x),
            y: on(shape.y),
            width: on(shape.width),
            height: on(shape.height),
            ...maybe('flare', shape.flare),
            ...maybe('when', shape.when),
          })),
        }),
  };
}

/** A record with every formula in it changed; records without formulas stay as they are. */
export function mapFormulas(job: Job, record: JobRecord, change: Change): JobRecord {
  const ofScope = (scopeId: RecordOf<'scope'>['id']): Hidden => {
    const keys = new Set(findRecord(job, scopeId)?.properties.map(({ key }) => key));
    return (word) => keys.has(word);
  };
  switch (record.type) {
    case 'quantity':
      return { ...record, formula: change({ text: record.formula, hides: nothing }) };
    case 'line':
      return {
        ...record,
        quantity: change({ text: record.quantity, hides: nothing }),
        ...mapChoices(record, (text) => change({ text, hides: nothing })),
        ...mapSizing(record, (text) => change({ text, hides: nothing })),
      };
    case 'override':
      return { ...record, ...mapChoices(record, (text) => change({ text, hides: nothing })) };
    case 'yardstick':
      return { ...record, driver: change({ text: record.driver, hides: nothing }) };
    case 'piece':
      return { ...record, text: change({ text: record.text, hides: nothing }) };
    case 'scope': {
      const hides = ofScope(record.id);
      return {
        ...record,
        properties: record.properties.map((each) => ({
          ...each,
          value: change({ text: each.value, hides }),
        })),
      };
    }
    case 'use': {
      const hides = ofScope(record.scopeId);
      const answers = Object.entries(record.answers).map(([key, text]) => [key, change({ text, hides })]);
      return { ...record, answers: Object.fromEntries(answers) as typeof record.answers };
    }
    case 'assembly':
      return mapAssembly(record, change);
    default:
      return record;
  }
}

/** Something with a key that formulas know. */
export interface KeyedName {
  readonly type: 'quantity' | 'scope' | 'table' | 'property' | 'column';
  readonly key: string;
  /** The key of the table a column is of. */
  readonly table?: string;
  /** The scope a property is of. */
  readonly scope?: RecordOf<'scope'>;
}

/** True where a word stands for the thing. `own` says that the formula is of the property's own scope. */
function meant(name: KeyedName, { role, word, of }: WordRole, hides: Hidden, own: boolean): boolean {
  if (word !== name.key) return false;
  switch (name.type) {
    case 'quantity':
      return role === 'name' && !hides(word);
    case 'property':
      return (role === 'measure' && of === name.scope?.key) || (role === 'name' && own);
    case 'column':
      return role === 'column' && of === name.table;
    default:
      return role === name.type;
  }
}

/** Formulas that a property is read in by its bare name: those of its scope, and of the uses on it. */
const isOfScope = (record: JobRecord, scope: RecordOf<'scope'> | undefined): boolean =>
  scope !== undefined &&
  ((record.type === 'scope' && record.id === scope.id) ||
    (record.type === 'use' && record.scopeId === scope.id));

/** The records that use a name; one that reads itself is among them. */
export function findUsers(job: Job, name: KeyedName): readonly JobRecord[] {
  return [...listRecords(job)].filter((record) => {
    let found = false;
    const own = isOfScope(record, name.scope);
    mapFormulas(job, record, ({ text, hides }) => {
      found ||= listRoles(text).some((word) => meant(name, word, hides, own));
      return text;
    });
    return found;
  });
}

/** Every record that used a name, with the new one in its place. */
export function renameIn(job: Job, name: KeyedName, to: string): readonly JobRecord[] {
  return findUsers(job, name).map((record) => {
    const own = isOfScope(record, name.scope);
    return mapFormulas(job, record, ({ text, hides }) =>
      replaceWords(text, (word) => (meant(name, word, hides, own) ? to : undefined)),
    );
  });
}

/** How a person knows a record: what it is called. */
export function titleOf(job: Job, record: JobRecord): string {
  switch (record.type) {
    case 'line':
      return record.description;
    case 'override':
      return record.description ?? record.line;
    case 'yardstick':
      return record.name;
    case 'use':
      return findRecord(job, record.assemblyId)?.name ?? '';
    case 'piece':
      return findRecord(job, record.scopeId)?.name ?? '';
    case 'scope':
    case 'quantity':
    case 'assembly':
    case 'table':
      return record.name;
    default:
      return '';
  }
}
