import { version as own } from 'react';

/**
 * Whether a reference (`ref`) can be given to it. Before its version 19 the framework gives a plain function none, and warns
 * of it in the function's name.
 */
export function takesReference(input: unknown, version = own): boolean {
  if (Number.parseInt(version) > 18) return true;
  if (typeof input === 'function')
    return (input.prototype as { isReactComponent?: object } | undefined)?.isReactComponent !== undefined;
  // What is kept as it was drawn (`memo`) hands it on to what is inside.
  const isKept = typeof input === 'object' && input !== null && 'compare' in input && 'type' in input;
  return !isKept || takesReference(input.type, version);
}
