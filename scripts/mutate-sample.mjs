/** Leaves statements of the source out, so that every so many-th is changed: a sample, where all of it would take hours. */
import { declareValuePlugin, PluginKind } from '@stryker-mutator/api/plugin';

const oneIn = Number(process.env.MUTATE_ONE_IN ?? 1);
const sampled = new Set(['ExpressionStatement', 'ReturnStatement', 'ThrowStatement', 'VariableDeclaration']);

const sample = {
  shouldIgnore({ node, key }) {
    // A statement that holds others is left to them; of an "if", its question is a statement of its own.
    const isOne = sampled.has(node.type) || key === 'test';
    const holdsOthers =
      node.type === 'VariableDeclaration' && node.declarations.some(({ init }) => /Function/.test(init?.type ?? ''));
    if (!isOne || holdsOthers) return undefined;
    return spread(node.start ?? 0) % oneIn === 0 ? undefined : 'not in the sample';
  },
};
/** The same statements each time, and not those that happen to stand at even places. */
const spread = (place) => (Math.imul(place, 2654435761) >>> 7) & 0xffff;

export const strykerPlugins = [declareValuePlugin(PluginKind.Ignore, 'sample', sample)];
