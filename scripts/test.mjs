/** npm test: everything, from nothing installed to the last browser test; closes with "N passed, N failed". */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join, relative } from 'node:path';
import { build } from './build.mjs';
import { install } from './install.mjs';
import { validatorRuntime } from './validator-runtime.mjs';

const home = join(import.meta.dirname, '..');
process.chdir(home);
/** While one works: types, lint, most unit tests, one walk through the browser. What it leaves out takes the longest. */
const isQuick = process.argv.includes('quick');
const commandLine = 'packages/cli/';
const slow = [commandLine, 'schema/suite', 'handover', 'validator', 'unseen', 'codec-laws', 'hostile'];
let passed = 0;
/** What failed, by name: the last lines of a long output are those that are read. */
const failures = [];
/** What passed when it was tried again. */
const secondTries = [];

function run(command, args, options = {}) {
  return (
    spawnSync(command, args, {
      stdio: 'inherit',
      ...options,
      env: { ...process.env, FORCE_COLOR: '0', ...options.env },
    }).status === 0
  );
}
/** When it ended, so that whoever reads the output sees what took long. */
function after() {
  return `(${Math.round(performance.now() / 1000)} s)`;
}
/** Runs checks side by side; what each has to say is printed in one piece. */
async function checkAll(checks) {
  const results = await Promise.all(
    Object.entries(checks).map(async ([name, commands]) => {
      const done = await Promise.all(commands.map(([command, ...args]) => start(command, args)));
      return [name, done.every(({ isGood }) => isGood), done.map(({ said }) => said).join('')];
    }),
  );
  for (const [name, isGood, said] of results) {
    process.stdout.write(said);
    check(name, isGood);
  }
}
/** What it says is given when it has ended, or printed at once where `stdio` is `inherit`. */
function start(command, args, env = {}, stdio = 'pipe') {
  return new Promise((resolve) => {
    const own = spawn(command, args, { stdio, env: { ...process.env, FORCE_COLOR: '0', ...env } });
    let said = '';
    for (const stream of [own.stdout, own.stderr]) stream?.on('data', (text) => (said += String(text)));
    own.on('error', ({ message }) => resolve({ isGood: false, said: `${message}\n` }));
    own.on('close', (code) => resolve({ isGood: code === 0, said }));
  });
}
function check(name, isGood) {
  console.log(`${isGood ? 'ok  ' : 'FAIL'} ${name} ${after()}`);
  if (isGood) passed++;
  else failures.push(name);
}

install();
debianPackages();
rmSync('test-results', { recursive: true, force: true });
mkdirSync('test-results', { recursive: true });

// None of these needs another, and each runs on one core; what is built and tried meanwhile needs none of them.
const readings = checkAll({
  types: [
    ['npx', 'tsc', '-p', '.'],
    ['npx', 'tsc', '-p', 'packages/core'],
  ],
  lint: [['npx', 'eslint', '.', '--max-warnings', '0']],
  format: [['npx', 'prettier', '--check', '--log-level', 'warn', '.']],
  reference: [['node', 'scripts/reference.mjs', '--check']],
  arrows: [
    [
      'npx',
      'depcruise',
      '--output-type',
      'err',
      'packages/core/src',
      'packages/react/src',
      'packages/stand/src',
      'packages/inputs/src',
      'packages/cli/src',
      'apps/workbench/src',
      'apps/server/src',
    ],
  ],
});
check('the engine in written validators is the one in the source', await validatorRuntime());
await build({ ifNeeded: true });
// Imported here: where nothing is installed yet, there is no bundler either.
const { librarySizes, pageSize, typicalForms } = await import('./sizes.mjs');
for (const { says, name, isGood } of [
  pageSize(),
  ...(await librarySizes()),
  ...(isQuick ? [] : await typicalForms()),
]) {
  console.log(says);
  check(name, isGood);
}

const leftOut = isQuick ? slow : [commandLine];
await start('npx', jestArgs('jest', '--testPathIgnorePatterns', 'node_modules', ...leftOut), {}, 'inherit');
countUnits('jest');

await readings;

if (isQuick) {
  const { said } = await start('npx', ['playwright', 'test', 'first-light'], { E2E_RUN: 'e2e-quick' });
  process.stdout.write(said);
  countBrowserTests('e2e-quick');
  close();
}

// Both wait for pages half of the time. The contract: the untouched draft of every input of the demo project, in a real
// browser; nine of ten have to pass the whole of it.
const [ofCommandLine, contract] = await Promise.all([
  start('npx', jestArgs('jest-cli', commandLine)),
  start('node', ['packages/cli/dist/main.js', 'check', 'demo/project', '--wanted', '90', '--brief']),
]);
process.stdout.write(ofCommandLine.said + contract.said);
countUnits('jest-cli');
check('contract', contract.isGood);

// In parts, as many side by side as there are cores, two at least, each with a server and a demo company of its own: a
// browser test waits more than it works, and the parts take unlike times.
const port = Number(process.env.E2E_PORT ?? 4377);
const parts = Array.from({ length: 8 }, (_, i) => i + 1);
const all = parts.length;
const testInBrowser = async (own) => {
  for (let part = parts.shift(); part; part = parts.shift()) {
    const name = `e2e-${part}`;
    const { said } = await start('npx', ['playwright', 'test', `--shard=${part}/${all}`], {
      E2E_PORT: String(port + own),
      E2E_RUN: name,
    });
    process.stdout.write(said);
    countBrowserTests(name);
  }
};
const lanes = Math.min(4, Math.max(2, availableParallelism()));
await Promise.all(Array.from({ length: lanes }, (_, own) => testInBrowser(own)));

close();

function jestArgs(name, ...more) {
  return ['jest', '--maxWorkers=100%', '--json', `--outputFile=test-results/${name}.json`, ...more];
}
function countUnits(name) {
  console.log(`${name} ${after()}`);
  const units = readJson(`test-results/${name}.json`);
  passed += units?.numPassedTests ?? 0;
  if (!units) failures.push(`${name}: told nothing`);
  for (const { name: file, status, assertionResults } of units?.testResults ?? []) {
    const bad = assertionResults.filter((test) => test.status === 'failed');
    for (const { fullName } of bad) failures.push(`${relative(home, file)}: ${fullName}`);
    if (status === 'failed' && bad.length === 0) failures.push(`${relative(home, file)}: could not be run`);
  }
}
function countBrowserTests(name) {
  console.log(`${name} ${after()}`);
  const told = readJson(`test-results/${name}.json`);
  passed += (told?.stats.expected ?? 0) + (told?.stats.flaky ?? 0);
  if (!told) failures.push(`${name}: told nothing`);
  for (const { message } of told?.errors ?? []) failures.push(`${name}: ${message}`);
  failures.push(...titlesOf('unexpected', told?.suites ?? []));
  secondTries.push(...titlesOf('flaky', told?.suites ?? []));
}
function titlesOf(wanted, suites) {
  return suites.flatMap(({ specs = [], suites: inner = [], file }) => [
    ...specs
      .filter(({ tests }) => tests.some(({ status }) => status === wanted))
      .map(({ title }) => `${file}: ${title}`),
    ...titlesOf(wanted, inner),
  ]);
}
function close() {
  for (const title of secondTries) console.log(`passed only on its second try: ${title}`);
  for (const name of failures) console.log(`failed: ${name}`);
  console.log(`${passed} passed, ${failures.length} failed`);
  process.exit(failures.length === 0 ? 0 : 1);
}

/** Chromium and the official JSON Schema test suite come from Debian; they are installed where they are missing. */
function debianPackages() {
  const wanted = [
    ['chromium', '/usr/bin/chromium'],
    ['fonts-liberation', '/usr/share/fonts/truetype/liberation'],
    ['libtest-json-schema-acceptance-perl', '/usr/share/perl5/auto/share/dist/Test-JSON-Schema-Acceptance'],
  ];
  // Checks are quicker in it; not every Debian has it, and nothing depends on it.
  const liked = [['chromium-headless-shell', '/usr/bin/chromium-headless-shell']];
  const isMissing = ([, path]) => !existsSync(path);
  const [missing, further] = [wanted, liked].map((list) => list.filter(isMissing).map(([name]) => name));
  if (missing.length + further.length === 0) return;
  console.log(`Installing Debian’s ${[...missing, ...further].join(', ')} …`);
  const prefix = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = (...args) => {
    const [command, ...rest] = [...prefix, 'apt-get', ...args];
    return run(command, rest, { env: { DEBIAN_FRONTEND: 'noninteractive' } });
  };
  const fetch = (names) => names.length === 0 || apt('install', '-y', '-qq', '--no-install-recommends', ...names);
  if (!apt('update', '-qq') || !fetch(missing))
    console.error(`Could not install ${missing.join(', ')}. Install them by hand and run npm test again.`);
  if (!fetch(further)) console.log(`Without ${further.join(', ')} the checks take a while longer.`);
}

function readJson(path) {
  try {
    return JSON.parse(readFileSync(path, 'utf8'));
  } catch {
    return undefined;
  }
}
