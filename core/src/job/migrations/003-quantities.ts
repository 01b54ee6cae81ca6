import { type Migration, asItIs } from './migration.ts';

/** Version 4 brought named quantities, tables and difficulties, and assemblies that nest and round over the job. */
export const quantities: Migration = { from: 3, name: 'quantities', migrate: asItIs };
