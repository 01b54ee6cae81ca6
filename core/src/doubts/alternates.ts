import { itemCodeOfLine } from '../estimate/lineSources.ts';
import { type LineAt } from '../estimate/lineSources.ts';
import { listLines } from '../estimate/lines.ts';
import type { Doubt } from './doubt.ts';
import type { DoubtContext } from './context.ts';

const plain = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ');

/** An alternate that adds what the base has already, and leaves the base's in: it would be paid twice. */
export function alternatesThatDouble({ job, nameOf }: DoubtContext): readonly Doubt[] {
  if (job.alternate.size === 0) return [];
  const all = [...listLines(job)];
  const signOf = (line: LineAt): string => {
    const code = itemCodeOfLine(job, line);
    return `${line.sectionId ?? ''} ${code === '' ? plain(nameOf(line)) : code}`;
  };
  const base = new Map<string, LineAt>();
  for (const line of all) if (line.alternate === undefined) base.set(signOf(line), line);
  return all.flatMap((line): readonly Doubt[] => {
    const { alternate } = line;
    const doubled = alternate?.as === 'adds' ? base.get(signOf(line)) : undefined;
    if (alternate === undefined || doubled === undefined) return [];
    return [
      {
        key: `alternate-doubles|${line.key}`,
        name: nameOf(line),
        about: {
          rule: 'alternate-doubles',
          alternate: job.alternate.get(alternate.id)?.name ?? '',
          base: nameOf(doubled),
        },
        place: { at: 'line', key: line.key },
      },
    ];
  });
}
