/** For forms that were written out and whose schema takes the whole engine: a door of its own, since it leads to all of it. */
import type { WrittenChecks } from './nodes.js';

/** For a form whose checks were not put together ahead: with its schema, what that asks for is fetched. */
export async function fetchChecks(fetched: () => Promise<unknown>): Promise<WrittenChecks> {
  const [{ checksFor }, schema] = await Promise.all([import('./engine.js'), fetched()]);
  return checksFor(schema);
}
