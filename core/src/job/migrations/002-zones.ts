import { type Migration, asItIs } from './migration.ts';

/** Version 3 brought zones, pages laid on sheets, and parts of a sheet with a scale of their own. */
export const zones: Migration = { from: 2, name: 'zones', migrate: asItIs };
