import { type Migration, asItIs } from './migration.ts';

/** Version 9 brought reports that are kept with the job. */
export const reports: Migration = { from: 8, name: 'reports', migrate: asItIs };
