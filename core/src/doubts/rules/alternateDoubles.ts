import { type LineAt, itemCodeOfLine } from '../../estimate/lineSources.ts';
import { listLines } from '../../estimate/lines.ts';
import { defineRule } from '../rule.ts';

const plain = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ');

/** An alternate that adds what the base has already, and leaves the base's in: it would be paid twice. */
export const alternateDoubles = defineRule('alternate-doubles', 'alternates', ({ job, nameOf }) => {
  if (job.alternate.size === 0) return [];
  const all = [...listLines(job)];
  const signOf = (line: LineAt): string => {
    const code = itemCodeOfLine(job, line);
    return `${line.sectionId ?? ''} ${code === '' ? plain(nameOf(line)) : code}`;
  };
  const base = new Map<string, LineAt>();
  for (const line of all) if (line.alternate === undefined) base.set(signOf(line), line);
  return all.flatMap((line) => {
    const { alternate } = line;
    const doubled = alternate?.as === 'adds' ? base.get(signOf(line)) : undefined;
    if (alternate === undefined || doubled === undefined) return [];
    const facts = {
      alternate: job.alternate.get(alternate.id)?.name ?? '',
      alternateId: alternate.id,
      base: nameOf(doubled),
      baseKey: doubled.key,
    };
    return [{ of: line.key, name: nameOf(line), place: { at: 'line' as const, key: line.key }, facts }];
  });
});
