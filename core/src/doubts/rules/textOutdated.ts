import { propertyNode } from '../../calculate/graph/nodes.ts';
import { LENGTH, sameDimension } from '../../units/dimension.ts';
import { findUnit } from '../../units/unit.ts';
import { defineRule } from '../rule.ts';
import { isSameLength, sizesInText } from '../sizesInText.ts';
import { tellingWords } from '../../pricing/tellingWords.ts';

/** Texts of the bid that name a height or a size of something measured, which is another now. */
export const textOutdated = defineRule('text-outdated', 'texts', ({ job, texts, figures, known }) => {
  const said = texts.flatMap((text, at) => {
    const { lengthsM } = sizesInText(text);
    return lengthsM.length === 0 ? [] : [{ text, at, lengthsM, words: new Set(tellingWords(text)) }];
  });
  if (said.length === 0) return [];
  return [...job.scope.values()].flatMap((scope) => {
    const words = tellingWords(scope.name);
    const sizes = scope.properties.flatMap(({ key, name, unit }) => {
      const kind = findUnit(unit);
      const node = propertyNode(scope.id, key);
      if (kind === undefined || !sameDimension(kind.dimension, LENGTH) || !figures.has(node)) return [];
      const valueM = known(node);
      return valueM === undefined ? [] : [{ name, valueM }];
    });
    const [first] = sizes;
    if (first === undefined || words.length === 0) return [];
    return said
      .filter((text) => words.every((word) => text.words.has(word)))
      .filter((text) => !text.lengthsM.some((m) => sizes.some(({ valueM }) => isSameLength(m, valueM))))
      .map(({ text, at }) => ({
        of: `${at} ${scope.id}`,
        name: text,
        place: { at: 'bid' as const },
        facts: { scope: scope.name, property: first.name, valueM: first.valueM },
      }));
  });
});
