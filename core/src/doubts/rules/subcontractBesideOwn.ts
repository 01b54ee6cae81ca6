import { bidNode, lineNode } from '../../calculate/graph/nodes.ts';
import type { LineAt } from '../../estimate/lineSources.ts';
import { groupBy } from '../../job/groupBy.ts';
import { aboutLine } from '../aboutLine.ts';
import { defineRule } from '../rule.ts';
import { tellingWords } from '../../pricing/tellingWords.ts';

/** A line for a subcontractor, and the same work by our own hands beside it in the section. */
export const subcontractBesideOwn = defineRule('subcontract-beside-own', 'lines', (context) => {
  const { lines, known, nameOf } = context;
  if ((known(bidNode('subcontract')) ?? 0) === 0) return [];
  const bySection = groupBy(
    lines.filter(({ of }) => of.by === 'line' || of.by === 'use'),
    ({ sectionId }) => sectionId ?? '',
  );
  return [...bySection.values()].flatMap((together) => {
    const isSub = (line: (typeof together)[number]): boolean =>
      (known(lineNode(line.key, 'subcontract')) ?? 0) > 0;
    const subs = together.filter(isSub);
    if (subs.length === 0) return [];
    const hands = together.filter(
      (line) =>
        !isSub(line) &&
        (known(lineNode(line.key, 'labor')) ?? 0) > 0 &&
        (known(lineNode(line.key, 'material')) ?? 0) > 0,
    );
    return subs.flatMap((line) => {
      // What it is called first: doors are not overhead doors.
      const [first] = tellingWords(nameOf(line));
      const own =
        first === undefined
          ? undefined
          : hands.find((each) => !isOfOneAssembly(line, each) && tellingWords(nameOf(each)).includes(first));
      return own === undefined ? [] : [aboutLine(context, line, { own: nameOf(own) })];
    });
  });
});

/** What one assembly puts side by side belongs together, wherever it is applied. */
const isOfOneAssembly = ({ of: a }: LineAt, { of: b }: LineAt): boolean =>
  a.by === 'use' && b.by === 'use' && a.made.frame.assembly.id === b.made.frame.assembly.id;
