import { type Migration, asItIs } from './migration.ts';

/** Version 7 says which prices are samples, and brought expected counts, the number of a bid and tax on all that is sold. */
export const samples: Migration = { from: 6, name: 'samples', migrate: asItIs };
