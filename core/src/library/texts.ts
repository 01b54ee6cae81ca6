import { NAME_LIMIT } from '../job/records/fields.ts';
import { type BookItem, type CraftKey, FURTHER_CRAFTS, CRAFTS } from './priceBook.ts';
import type { Content, LibraryAssembly, TableContent } from './build.ts';

/**
 * Says a text of the library in the language of a job. What ships is written in US English, and each text is the key to
 * the same text in another language; formulas, keys and codes are the same in all.
 */
export type Say = (text: string) => string;

export const asWritten: Say = (text) => text;

/** A text with figures in it: `{fill, %}`. The figures are formulas, and stay. */
const sayAround = (text: string, say: Say): string =>
  text
    .split(/(\{[^}]*\})/)
    .map((part) => (part.startsWith('{') || part.trim() === '' ? part : say(part)))
    .join('');

const sayItem = (item: BookItem, say: Say): BookItem => ({
  ...item,
  description: say(item.description),
  group: say(item.group),
});

const sayTable = (table: TableContent, say: Say): TableContent => ({
  ...table,
  name: say(table.name),
  columns: table.columns.map((column) => ({ ...column, name: say(column.name) })),
});

/** An assembly with every text that is read in another language. */
export function sayContent<Each extends Content>(content: Each, say: Say): Each {
  if (say === asWritten) return content;
  return {
    ...content,
    name: say(content.name),
    ...(content.tags === undefined
      ? {}
      : { tags: `${content.tags} ${say(content.name).toLowerCase()}`.slice(0, NAME_LIMIT) }),
    description: sayAround(content.description, say),
    ...(content.note === undefined ? {} : { note: sayAround(content.note, say) }),
    inputs: content.inputs.map((input) => ({
      ...input,
      question: say(input.question),
      hint: say(input.hint),
      choices: input.choices.map((choice) => ({ ...choice, label: say(choice.label) })),
      ...(input.group === undefined ? {} : { group: say(input.group) }),
    })),
    components: content.components.map((component) => ({ ...component, name: say(component.name) })),
    ...(content.checks === undefined
      ? {}
      : { checks: content.checks.map((check) => ({ ...check, text: sayAround(check.text, say) })) }),
    ...(content.section === undefined
      ? {}
      : {
          section: content.section.map((shape) =>
            shape.label === undefined ? shape : { ...shape, label: say(shape.label) },
          ),
        }),
  };
}

export const sayAssembly = (assembly: LibraryAssembly, say: Say): LibraryAssembly =>
  say === asWritten
    ? assembly
    : {
        ...sayContent(assembly, say),
        // As it is found again, whatever it is called in the job.
        key: assembly.key,
        craftNames: Object.fromEntries(
          [...CRAFTS, ...FURTHER_CRAFTS].map(([key, name]) => [key, say(name)]),
        ) as Record<CraftKey, string>,
        items: assembly.items.map((item) => sayItem(item, say)),
        tables: assembly.tables.map((table) => sayTable(table, say)),
      };

export const sayItems = (items: readonly BookItem[], say: Say): readonly BookItem[] =>
  say === asWritten ? items : items.map((item) => sayItem(item, say));
