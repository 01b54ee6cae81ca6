// npm run faults [-- --flips N --mutations N --kills N --rounds N]: tries to lose work, prints what was lost.
import { spawn } from 'node:child_process';
import { killBrowsers, takeOver } from './browsers.ts';
import { flipBits, mutateInputs } from './files.ts';
import { type Faults, printFaults } from './report.ts';

const PORT = 4191;
const BASE_URL = `http://127.0.0.1:${PORT}`;

const countOf = (name: string, usual: number): number => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};

const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
  env: { ...process.env, PORT: String(PORT) },
  stdio: ['ignore', 'pipe', 'inherit'],
});
await new Promise((resolve) => server.stdout.once('data', resolve));
const done: Faults[] = [];
const take = (faults: Faults): void => {
  done.push(faults);
  printFaults(faults);
};
try {
  take(flipBits(countOf('flips', 12_000)));
  take(mutateInputs(countOf('mutations', 21_000)));
  take(await takeOver(countOf('rounds', 24), BASE_URL));
  take(await killBrowsers(countOf('kills', 24), BASE_URL));
} finally {
  server.kill('SIGTERM');
}
const lost = done.reduce((sum, each) => sum + each.lost.length, 0);
process.stdout.write(`lost in all: ${lost}\n`);
process.exitCode = lost === 0 ? 0 : 1;
