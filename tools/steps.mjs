// Shared by the npm scripts: what is there already is skipped, what is missing is brought, in plain words.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');
const stamps = join(root, 'node_modules/.pozzo');

export function fail(sentence) {
  console.error(sentence);
  process.exit(1);
}

const [major, minor] = process.versions.node.split('.').map(Number);
if (major !== 20 || minor < 19) fail(`Pozzo runs on Node 20.19 or a later 20; this is ${process.version}.`);

/** Runs a command in the open; its failure is ours, unless `soft`. */
export function run(command, args, { cwd = root, env = {}, soft = false, quiet = false } = {}) {
  const done = spawnSync(command, args, {
    cwd,
    stdio: quiet ? ['ignore', 'pipe', 'inherit'] : ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, NG_CLI_ANALYTICS: 'false', ...env },
    encoding: 'utf8',
  });
  if (done.error?.code === 'ENOENT') fail(`"${command}" is needed and not on this machine.`);
  if (done.status !== 0 && !soft) process.exit(done.status ?? 1);
  return done;
}

/** Runs a command beside others: what it prints is held until it has ended, and then printed whole. @returns whether it ended well */
export function beside(title, args, { cwd = root, env = {} } = {}) {
  return new Promise((done) => {
    const child = spawn(process.execPath, args, { cwd, stdio: ['ignore', 'pipe', 'pipe'], env: { ...process.env, NG_CLI_ANALYTICS: 'false', ...env } });
    const said = [];
    child.stdout.on('data', (text) => said.push(text));
    child.stderr.on('data', (text) => said.push(text));
    child.on('close', (status) => {
      process.stdout.write(`\n== ${title}\n`);
      process.stdout.write(Buffer.concat(said));
      done(status === 0);
    });
  });
}

function files(path) {
  const full = join(root, path);
  if (!existsSync(full)) return [];
  if (statSync(full).isFile()) return [path];
  return readdirSync(full)
    .filter((n) => !['node_modules', 'dist', '.angular', 'test-results'].includes(n))
    .flatMap((n) => files(join(path, n)));
}

function fingerprint(paths) {
  const hash = createHash('sha256');
  for (const f of paths.flatMap(files).sort()) hash.update(f).update(readFileSync(join(root, f)));
  return hash.digest('hex');
}

/** Does `work` unless nothing of `inputs` changed since it last succeeded and all of `outputs` exist. */
function upToDate(name, inputs, outputs, work) {
  const stamp = join(stamps, name);
  const now = fingerprint(inputs);
  if (outputs.every((o) => existsSync(join(root, o))) && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  work();
  mkdirSync(stamps, { recursive: true });
  writeFileSync(stamp, now);
}

const manifests = ['package.json', 'package-lock.json', ...['core', 'server', 'cli', 'web', 'e2e'].map((w) => `${w}/package.json`)];
const npm = process.env.npm_execpath ? [process.execPath, [process.env.npm_execpath]] : ['npm', []];

export function install() {
  upToDate('install', manifests, ['node_modules/better-sqlite3/build/Release/better_sqlite3.node'], () => {
    console.log('Bringing the packages. The first time this takes about four minutes, most of it compiling the database.');
    run(npm[0], [...npm[1], 'ci', '--no-audit', '--no-fund']);
  });
}

export function buildNode() {
  upToDate('node-build', ['tsconfig.base.json', 'core', 'server', 'cli'], ['core/dist/index.js', 'server/dist/main.js', 'cli/dist/main.js'], () => {
    console.log('Building core, server and command line.');
    run(process.execPath, ['node_modules/typescript/bin/tsc', '-b', 'core', 'server', 'cli']);
  });
}

export function buildWeb() {
  upToDate('web-build', ['tsconfig.base.json', 'core/src', 'web'], ['web/dist/browser/index.html'], () => {
    console.log('Building the web application.');
    run(process.execPath, [join(root, 'node_modules/@angular/cli/bin/ng.js'), 'build'], { cwd: join(root, 'web') });
  });
}

/** Debian's Chromium, for the tests that drive the real application. */
export function chromium() {
  if (existsSync('/usr/bin/chromium')) return;
  console.log('Bringing Chromium from the system’s packages.');
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const apt = (...args) =>
    run([...asRoot, 'apt-get', ...args][0], [...asRoot, 'apt-get', ...args].slice(1), { soft: true, quiet: true, env: { DEBIAN_FRONTEND: 'noninteractive' } });
  apt('update');
  if (apt('install', '-y', '--no-install-recommends', 'chromium').status !== 0 || !existsSync('/usr/bin/chromium'))
    fail('Chromium is needed for the tests: install the package "chromium" so that /usr/bin/chromium is there.');
}
