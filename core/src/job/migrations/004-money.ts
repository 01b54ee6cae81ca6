import { type Migration, asItIs } from './migration.ts';

/** Version 5 brought crews, regions, adjustments, changed lines, alternates, quotes and yardsticks. */
export const money: Migration = { from: 4, name: 'money', migrate: asItIs };
