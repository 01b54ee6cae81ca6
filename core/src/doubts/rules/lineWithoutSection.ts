import { aboutLine } from '../aboutLine.ts';
import { type Found, type NoFacts, defineRule } from '../rule.ts';

const NONE: NoFacts = {};

/** Lines outside of every section. What was measured is moved whole: asked once, not for each line it makes. */
export const lineWithoutSection = defineRule('line-without-section', 'lines', (context) => {
  const asked = new Set<string>();
  return context.lines.flatMap((line): readonly Found<NoFacts>[] => {
    if (line.of.by === 'purchase' || line.sectionId !== null) return [];
    if (line.of.by !== 'use') return [aboutLine(context, line, NONE)];
    const { id, name } = line.of.made.frame.scope;
    if (asked.has(id)) return [];
    asked.add(id);
    return [{ of: id, name, place: { at: 'scope', id }, facts: NONE }];
  });
});
