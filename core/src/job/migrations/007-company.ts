import { type Migration, asItIs } from './migration.ts';

/** Version 8 brought what a company keeps for all its jobs: text blocks, a logo, and what a job took from it. */
export const company: Migration = { from: 7, name: 'company', migrate: asItIs };
