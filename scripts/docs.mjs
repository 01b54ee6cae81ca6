// Writes docs/formulas.md and docs/checks.md from the tables they are about.
import { writeFile } from 'node:fs/promises';
import { writeChecks } from '../core/src/checks/writeChecks.ts';
import { writeReference } from '../core/src/checks/writeReference.ts';

await writeFile(new URL('../docs/formulas.md', import.meta.url), writeReference());
await writeFile(new URL('../docs/checks.md', import.meta.url), writeChecks());
