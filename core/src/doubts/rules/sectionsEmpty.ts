import { sectionsAround } from '../../estimate/places.ts';
import { inOrder, settingsOf } from '../../job/job.ts';
import { defineRule } from '../rule.ts';
import { tellingWords } from '../../pricing/tellingWords.ts';

/** So many sections with work in them, and the job is more than one trade's. */
const SEVERAL = 3;

/** Sections that such a job usually has, with nothing in them and nothing said about them: one doubt for all. */
export const sectionsEmpty = defineRule('sections-empty', 'lines', ({ job, lines, exclusions }) => {
  const own = new Set(lines.map(({ sectionId }) => sectionId));
  const held = new Set([...own].flatMap((sectionId) => sectionsAround(job, sectionId)));
  for (const { sectionId } of job.package.values())
    for (const id of sectionsAround(job, sectionId)) held.add(id);
  const top = inOrder(job.section.values()).filter(({ parentId }) => parentId === null);
  if (top.filter(({ id }) => held.has(id)).length < SEVERAL) return [];
  const said = new Set(exclusions.flatMap(tellingWords));
  const empty = top.filter(
    ({ id, name }) => !held.has(id) && !tellingWords(name).some((word) => said.has(word)),
  );
  if (empty.length === 0) return [];
  const { name } = settingsOf(job);
  const facts = { sections: empty.map((section) => section.name) };
  return [{ of: 'job', name, place: { at: 'bid' as const }, facts }];
});
