/**
 * The words of Jest's tests under Mocha, for `npm run mutate` alone: Jest loads every module anew for each change that
 * is tried, which takes seconds; Mocha keeps what is loaded and takes milliseconds.
 */
const { register } = require('node:module');
const { join } = require('node:path');
const { pathToFileURL } = require('node:url');
const { ModuleMocker } = require('jest-mock');
const { bind } = require('jest-each');
const { expect } = require('expect');
const { JSDOM } = require('jsdom');
const Mocha = require('mocha');

// The React binding's tests have a document; those of the core do without, and do not look for one.
const { window } = new JSDOM('<!doctype html><body></body>', { url: 'http://localhost/', pretendToBeVisual: true });
// Node has events of its own, which a document does not take.
const theirs = ['Event', 'EventTarget', 'CustomEvent', 'navigator', 'Blob', 'File', 'FormData'];
for (const name of Object.getOwnPropertyNames(window))
  if (!(name in globalThis) || theirs.includes(name))
    Object.defineProperty(globalThis, name, { configurable: true, writable: true, value: window[name] });

// Without the configuration of the repository, JSX is made into calls of this.
globalThis.React = require('react');
// The binding has to find the core that is being changed, and not the one that was built.
const core = pathToFileURL(join(__dirname, '../packages/core/src/index.ts')).href;
const hook = `export const resolve = (name, context, next) => next(name === '@poietra/core' ? '${core}' : name, context);`;
register(`data:text/javascript,${encodeURIComponent(hook)}`);

const { bdd } = Mocha.interfaces;
Mocha.interfaces.bdd = (suite) => {
  bdd(suite);
  // How long a test takes is no claim of ours, also on a busy machine.
  suite.timeout(0);
  suite.beforeAll(fetchAll);
  suite.on('pre-require', (context) => {
    context.it.each = bind(context.it, false);
    context.describe.each = bind(context.describe, false);
    Object.assign(context, {
      test: context.it,
      beforeAll: context.before,
      afterAll: context.after,
      expect,
      jest: new ModuleMocker(globalThis),
    });
  });
};

/**
 * What is fetched only when it is needed is loaded before the first test: what it computes as it loads would else count as
 * done by whichever test came first, and be run without the change ever since.
 */
async function fetchAll() {
  const {
    loadExpressions,
    loadMakers,
    loadWords,
    preparePlan,
    prepareSchema,
  } = require('../packages/core/src/index.ts');
  await Promise.all([loadMakers(undefined), loadExpressions(), loadWords('de'), loadWords('nb')]);
  await prepareSchema({ $ref: 'https://json-schema.org/draft/2020-12/schema' });
  const far = { $schema: 'http://json-schema.org/draft-07/schema#', $id: 'https://skerry.example/' };
  await prepareSchema({ ...far, pattern: 'x', minItems: 1, unevaluatedItems: false });
  await preparePlan(await prepareSchema({ oneOf: [{ type: 'string' }, { type: 'number' }] }), '"oneOf"');
}
