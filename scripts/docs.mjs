// Writes docs/formulas.md from the table of functions, measures and units.
import { writeFile } from 'node:fs/promises';
import { writeReference } from '../core/src/formula/writeReference.ts';

await writeFile(new URL('../docs/formulas.md', import.meta.url), writeReference());
