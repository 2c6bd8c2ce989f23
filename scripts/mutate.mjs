/**
 * `npm run mutate -- PART`: changes the core in thousands of small ways, each alone, and asks its tests for each whether
 * they notice (StrykerJS). In parts, since all of it takes hours; what the scores are stands in `docs/testing.md`.
 */
import { mkdirSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { Stryker } from '@stryker-mutator/core';

const parts = ['codec', 'form', 'plan', 'schema'];
/** What takes seconds each, needs a compiler, or holds what was fetched against what was there: all others judge, each what it runs through. */
const slow = [
  'bundled',
  'codec-as-code',
  'dependencies',
  'expressions-written',
  'handover*',
  'prepare',
  'typed',
  'validator',
  'written',
];
/** Tests of the binding that are about what a form and its plan do. */
const drawn = ['form', 'planned', 'steps', 'submission', 'words'].map((name) => `packages/react/test/${name}.test.tsx`);
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    files: { type: 'string' },
    at: { type: 'string', default: String(availableParallelism()) },
    'one-in': { type: 'string', default: '1' },
  },
});
const [part] = positionals;
if (!parts.includes(part)) {
  console.error(
    `Which part? npm run mutate -- ${parts.join('|')} [--files 'numbers.ts'] [--at PROCESSES] [--one-in STATEMENTS]`,
  );
  process.exit(2);
}
process.chdir(join(import.meta.dirname, '..'));
// Laws stop after a while, so that a thousand of them do not take a day.
process.env.FC_MILLISECONDS = '50';
process.env.MUTATE_ONE_IN = values['one-in'];
// What a form and its plan do is asked by the tests of the React binding, too.
const isDrawn = part === 'form' || part === 'plan';
const report = `reports/mutate-${part}.json`;
mkdirSync('reports', { recursive: true });

const results = await new Stryker({
  // The form of schemas is a table; where a test loads it late, its words count as computed by that test.
  mutate: [`packages/core/src/${part}/**/${values.files ?? '*.ts'}`, '!packages/core/src/plan/schema-of-schemas.ts'],
  testRunner: 'mocha',
  plugins: ['@stryker-mutator/mocha-runner', './scripts/mutate-sample.mjs'],
  ignorers: ['sample'],
  testRunnerNodeArgs: ['--import', 'tsx'],
  mochaOptions: {
    require: ['./jest.setup.cjs', './scripts/mutate-interface.cjs'],
    spec: ['packages/core/test/**/*.test.ts', ...(isDrawn ? drawn : [])],
    ignore: [...slow, ...(part === 'schema' ? [] : ['schema/*', 'documents'])].map(
      (name) => `packages/core/test/${name}.test.ts`,
    ),
  },
  coverageAnalysis: 'perTest',
  // What is computed once, as the modules are loaded (tables, patterns), would need every test each time.
  ignoreStatic: true,
  ignorePatterns: [
    '/reports',
    '/test-results',
    '/docs/screenshots',
    '/e2e',
    '/apps',
    '/bench',
    '**/dist',
    '/demo/project',
  ],
  concurrency: Number(values.at),
  timeoutMS: 5000,
  reporters: ['json', 'progress-append-only'],
  jsonReporter: { fileName: report },
  incremental: true,
  incrementalFile: `reports/mutate-${part}-known.json`,
  tempDirName: '.cache/mutate',
  allowEmpty: true,
}).runMutationTest();

const of = (...statuses) => results.filter(({ status }) => statuses.includes(status));
const noticed = of('Killed', 'Timeout');
const missed = of('Survived', 'NoCoverage');
for (const { fileName, location, replacement, mutatorName, status } of missed)
  console.log(
    `${fileName}:${location.start.line}: ${mutatorName} → ${shortened(replacement)}${status === 'NoCoverage' ? ' (run by no test)' : ''}`,
  );
const share = (100 * noticed.length) / (noticed.length + missed.length);
console.log(`${part}: ${noticed.length} of ${noticed.length + missed.length} changes noticed (${share.toFixed(1)} %)`);

function shortened(text = '') {
  const line = text.replace(/\s+/g, ' ');
  return line.length > 80 ? `${line.slice(0, 79)}…` : line;
}
