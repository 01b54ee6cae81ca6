import type { Job } from '@zest/core/job/job';
import type { ReportSource } from '@zest/core/job/records/report';
import { FIELDS, type OwnerName, PROPERTY_OWNER, listProperties } from '@zest/core/reports/fields/fields';
import { sourceOf } from '@zest/core/reports/sources';
import { OWNER_WORDS, headingOfField } from '../../messages/reportWords.ts';

export interface FieldChoice {
  readonly id: string;
  readonly name: string;
  /** What it is of. */
  readonly of: string;
}

/** All that rows of a source have, what they are themselves first. */
export function fieldChoices(source: ReportSource, job: Job): readonly FieldChoice[] {
  const { owners, own } = sourceOf(source);
  const names = Object.keys(owners) as readonly OwnerName[];
  const sorted = [
    ...names.filter((name) => own.includes(name)),
    ...names.filter((name) => !own.includes(name)),
  ];
  const fixed = sorted.flatMap((owner) =>
    Object.keys(FIELDS[owner]).map((name) => {
      const id = `${owner}.${name}`;
      return { id, name: headingOfField(id, job), of: OWNER_WORDS[owner] };
    }),
  );
  if (owners.scope === undefined) return fixed;
  const properties = [...listProperties(job.scope)].map(([key, name]) => ({
    id: `${PROPERTY_OWNER}.${key}`,
    name,
    of: OWNER_WORDS[PROPERTY_OWNER],
  }));
  return [...fixed, ...properties];
}

/** Those whose name, or what they are of, holds every word that was typed. */
export function findChoices(choices: readonly FieldChoice[], text: string): readonly FieldChoice[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = ({ name, of }: FieldChoice): boolean =>
    words.every((word) => `${name} ${of}`.toLowerCase().includes(word));
  const begins = ({ name }: FieldChoice): boolean => name.toLowerCase().startsWith(words[0] ?? '');
  const found = choices.filter(fits);
  return [...found.filter(begins), ...found.filter((choice) => !begins(choice))].slice(0, 60);
}
