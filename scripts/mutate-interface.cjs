/**
 * The words of Jest's tests under Mocha, for `npm run mutate` alone: Jest loads every module anew for each change that
 * is tried, which takes seconds; Mocha keeps what is loaded and takes milliseconds.
 */
const { ModuleMocker } = require('jest-mock');
const { bind } = require('jest-each');
const { expect } = require('expect');
const Mocha = require('mocha');

const { bdd } = Mocha.interfaces;
Mocha.interfaces.bdd = (suite) => {
  bdd(suite);
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
