import { type Migration, asItIs } from './migration.ts';

/** Version 10 brought documents and what was sent of them; a job without any has the usual bid. */
export const documents: Migration = { from: 9, name: 'documents', migrate: asItIs };
