// Shared by the commands of the README; built-ins only, since it runs before node_modules exists.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));
export const CHROMIUM = '/usr/bin/chromium';
const XMLLINT = '/usr/bin/xmllint';

/** Runs a command with its output shown; stops everything when it fails. */
export function run(title, command, args, options = {}) {
  console.log(`\n${title}`);
  const started = Date.now();
  const done = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (done.error !== undefined || done.status !== 0) {
    console.error(`\n${title} failed${done.error === undefined ? '' : `: ${done.error.message}`}.`);
    process.exit(done.status ?? 1);
  }
  console.log(`${title}: done in ${Math.round((Date.now() - started) / 1000)} s`);
}

/**
 * Runs commands beside each other, each with its output shown once it is done; stops everything when
 * one fails. For what takes one processor each.
 */
export async function runTogether(commands) {
  console.log(`\n${commands.map(([title]) => title).join(' and ')}`);
  const codes = await Promise.all(
    commands.map(
      ([title, command, args]) =>
        new Promise((resolve) => {
          const started = Date.now();
          const parts = [];
          const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
          child.stdout.on('data', (part) => parts.push(part));
          child.stderr.on('data', (part) => parts.push(part));
          child.on('error', (error) => parts.push(Buffer.from(error.message)));
          child.on('close', (code) => {
            process.stdout.write(Buffer.concat(parts));
            const seconds = Math.round((Date.now() - started) / 1000);
            console.log(code === 0 ? `${title}: done in ${seconds} s` : `\n${title} failed.`);
            resolve(code ?? 1);
          });
        }),
    ),
  );
  const failed = codes.find((code) => code !== 0);
  if (failed !== undefined) process.exit(failed);
}

function filesUnder(folder) {
  return readdirSync(folder, { withFileTypes: true })
    .filter(({ name }) => name !== 'node_modules' && name !== 'dist' && !name.startsWith('.'))
    .flatMap((entry) =>
      entry.isDirectory() ? filesUnder(join(folder, entry.name)) : [join(folder, entry.name)],
    )
    .sort();
}

function stampOf(paths) {
  const hash = createHash('sha256');
  for (const path of paths.flatMap((each) =>
    statSync(join(root, each)).isDirectory() ? filesUnder(join(root, each)) : [join(root, each)],
  )) {
    hash.update(path.slice(root.length));
    hash.update(readFileSync(path));
  }
  return hash.digest('hex');
}

/** Does work only when what it depends on is not what it was the last time. */
function whenChanged(name, paths, isThere, work) {
  const stampFile = join(root, 'node_modules', `.zest-${name}`);
  const stamp = stampOf(paths);
  if (isThere() && existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return;
  work();
  mkdirSync(join(root, 'node_modules'), { recursive: true });
  writeFileSync(stampFile, stamp);
}

export function checkNode() {
  const [major] = process.versions.node.split('.').map(Number);
  if (major < 20) {
    console.error(`Node ${process.versions.node} is too old: Zest Line needs Node 20 or later.`);
    process.exit(1);
  }
}

/** Installs the packages of the lockfile. Nothing here needs install scripts. */
export function install() {
  const packages = ['core', 'app', 'server', 'demo', 'e2e'].map((name) => `${name}/package.json`);
  whenChanged(
    'installed',
    ['package.json', 'package-lock.json', ...packages],
    () => existsSync(join(root, 'node_modules/react')),
    () => {
      run('Installing packages', 'npm', [
        'ci',
        '--ignore-scripts',
        '--no-audit',
        '--no-fund',
        '--loglevel=error',
      ]);
    },
  );
}

export function build() {
  whenChanged(
    'built',
    [
      'core/src',
      'app/src',
      'app/public',
      'app/index.html',
      'app/vite.config.ts',
      'demo/files',
      'package-lock.json',
    ],
    () => existsSync(join(root, 'app/dist/index.html')),
    () => {
      run('Building the app', 'npm', ['run', '--silent', 'build', '--loglevel=error']);
    },
  );
}

/** Chromium for the interface tests, by apt where it may. */
/** What the interface tests need of the system: a browser, and a validator for the XML of reports. */
export function installChromium() {
  if (existsSync(CHROMIUM) && existsSync(XMLLINT)) return;
  const isRoot = process.getuid?.() === 0;
  const sudo = isRoot ? [] : ['sudo', '-n'];
  const apt = (...args) =>
    spawnSync([...sudo, 'apt-get', ...args][0], [...sudo, 'apt-get', ...args].slice(1), {
      stdio: 'inherit',
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  console.log('\nInstalling Chromium and xmllint by apt');
  apt('update', '-qq');
  apt('install', '-y', '-qq', '--no-install-recommends', 'chromium', 'libxml2-utils');
  if (existsSync(CHROMIUM)) return;
  console.error(
    `The interface tests need Chromium at ${CHROMIUM}, and it could not be installed from here. Install it as root with: apt-get install chromium`,
  );
  process.exit(1);
}
