/**
 * What checks the values of forms that were written out, in parts: a hand-over names those that the schema of its form
 * asks for, so that they come as one file, and no other does. Nothing else needs this door.
 */
import { compileWith } from '../schema/compiled.js';
import { everyDialect } from '../schema/dialects.js';
import { engineOf, type Engine } from '../schema/engine.js';
import type { Family } from '../schema/keywords/context.js';
import { resolveUri } from '../schema/resolve-uri.js';
import { choicesOf } from './choices.js';
import type { WrittenChecks } from './nodes.js';

export { family as arrays } from '../schema/keywords/arrays.js';
export { family as branches } from '../schema/keywords/branches.js';
export { family as content } from '../schema/keywords/content.js';
export { family as dynamic } from '../schema/keywords/dynamic.js';
export { family as enumerations } from '../schema/keywords/enumerations.js';
export { formatFamily as format } from '../schema/keywords/format.js';
export { family as numbers } from '../schema/keywords/numbers.js';
export { family as objects } from '../schema/keywords/objects.js';
export { family as patterns } from '../schema/keywords/patterns.js';
export { family as unevaluated } from '../schema/keywords/unevaluated.js';

export { addresses } from '../schema/formats/addresses.js';
export { hosts } from '../schema/formats/hosts.js';
export { names } from '../schema/formats/names.js';
export { times } from '../schema/formats/times.js';

/** For schemas that speak of addresses: how one is read from where the schema stands. */
export const far: Pick<Engine, 'resolveUri'> = { resolveUri };
/** For schemas of older drafts. */
export const older: Pick<Engine, 'dialects'> = { dialects: everyDialect };

/** A schema made ready with the keywords that every schema has and those given. */
export function checkedBy(
  schema: unknown,
  families: readonly Family[],
  beyond: Partial<Pick<Engine, 'resolveUri' | 'dialects'>> = {},
): WrittenChecks {
  const compiled = compileWith(engineOf(families, beyond), schema, { assertFormats: true });
  return { compiled, choices: choicesOf(compiled) };
}
