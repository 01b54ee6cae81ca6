// npm test: lint, types, unit tests and the interface, from a fresh clone.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { build, checkNode, install, installChromium, root, run, runTogether } from './prepare.mjs';

checkNode();
install();
installChromium();
run('Lockfile', 'npm', ['ci', '--dry-run', '--ignore-scripts', '--loglevel=error']);
await runTogether([
  ['Lint', 'npm', ['run', '--silent', 'lint', '--loglevel=error']],
  ['Types', 'npx', ['--no-install', 'tsc', '-b']],
]);
run('Unit tests', 'npx', ['--no-install', 'jest', '--json', '--outputFile', '.cache/jest.json']);
build();
run('Interface tests', 'npx', ['--no-install', 'playwright', 'test']);

const read = (name) => JSON.parse(readFileSync(join(root, '.cache', name), 'utf8'));
const unit = read('jest.json');
const { stats } = read('playwright.json');
console.log(
  `\nUnit tests: ${unit.numPassedTests} passed, ${unit.numFailedTests} failed, in ${unit.numTotalTestSuites} files`,
);
console.log(
  `Interface tests: ${stats.expected} passed, ${stats.unexpected} failed, ${stats.flaky} flaky, ${stats.skipped} skipped`,
);
