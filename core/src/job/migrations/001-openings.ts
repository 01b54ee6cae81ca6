import { type Migration, asItIs } from './migration.ts';

/** Version 2 brought openings, levels, typed pieces, arcs and roof slopes. A job of before has none. */
export const openings: Migration = { from: 1, name: 'openings', migrate: asItIs };
