import { settingsOf } from '../../job/job.ts';
import { defineRule } from '../rule.ts';
import { tellingWords } from '../../pricing/tellingWords.ts';

/** The job is in a region that the price book knows, and prices for another place, or for none, are used. */
export const regionNotApplied = defineRule('region-not-applied', 'regions', ({ job }) => {
  const { location, clientAddress, regionId } = settingsOf(job);
  const said = new Set(tellingWords(`${location} ${clientAddress}`));
  const isNamed = (name: string): boolean => {
    const words = tellingWords(name);
    return words.length > 0 && words.every((word) => said.has(word));
  };
  const applied = regionId === undefined ? undefined : job.region.get(regionId);
  if (applied !== undefined && isNamed(applied.name)) return [];
  return [...job.region.values()]
    .filter(({ name }) => isNamed(name))
    .map(({ id, name }) => ({
      of: id,
      name,
      place: { at: 'prices' as const },
      facts: { applied: applied?.name ?? '' },
    }));
});
