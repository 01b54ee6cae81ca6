// Recalculates a workbook's sheet with an independent engine: cells as JSON on the way in, their values on the way out.
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import init, { Model } from '@ironcalc/wasm';

const wasm = createRequire(import.meta.url).resolve('@ironcalc/wasm/wasm_bg.wasm');
await init({ module_or_path: readFileSync(wasm) });
const cells = JSON.parse(readFileSync(0, 'utf8'));
const model = new Model('sheet', 'en', 'UTC', 'en');
model.pauseEvaluation();
for (const { row, column, input } of cells) model.setUserInput(0, row, column, input);
model.resumeEvaluation();
model.evaluate();
const values = cells
  .filter(({ input }) => input.startsWith('='))
  .map(({ row, column }) => ({ row, column, value: model.getFormattedCellValue(0, row, column) }));
process.stdout.write(JSON.stringify(values));
