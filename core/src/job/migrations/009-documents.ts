import { type Migration, asItIs } from './migration.ts';

/** Version 10 brought documents and what was sent of them, requests, offers and orders; a job without documents has the usual bid. */
export const documents: Migration = { from: 9, name: 'documents', migrate: asItIs };
