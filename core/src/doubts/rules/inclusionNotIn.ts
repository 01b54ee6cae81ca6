import { listLines } from '../../estimate/lines.ts';
import { defineRule } from '../rule.ts';
import { tellingWords } from '../../pricing/tellingWords.ts';

/** What the bid says is included, and is only in an option that is not, or was taken out by one that is. */
export const inclusionNotIn = defineRule(
  'inclusion-not-in',
  'texts',
  ({ job, inclusions, lines, nameOf }) => {
    if (job.alternate.size === 0 || inclusions.length === 0) return [];
    const isIn = new Set<string>(lines.map(({ key }) => key));
    const out = new Map<string, string>();
    for (const line of listLines(job)) {
      const alternate = line.alternate === undefined ? undefined : job.alternate.get(line.alternate.id);
      if (alternate === undefined || isIn.has(line.key)) continue;
      out.set(line.of.by === 'use' ? line.of.made.frame.scope.name : nameOf(line), alternate.name);
      if (!alternate.accepted) out.set(alternate.name, alternate.name);
    }
    const still = new Set(
      lines.flatMap((line) =>
        tellingWords(line.of.by === 'use' ? line.of.made.frame.scope.name : nameOf(line)),
      ),
    );
    return inclusions.flatMap((text, at) => {
      const words = new Set(tellingWords(text));
      for (const [name, alternate] of out) {
        const telling = tellingWords(name).filter((word) => !still.has(word));
        if (telling.length === 0 || !telling.every((word) => words.has(word))) continue;
        return [
          {
            of: `${at} ${name}`,
            name: text,
            place: { at: 'bid' as const },
            facts: { work: name, alternate },
          },
        ];
      }
      return [];
    });
  },
);
