import type { WrittenChecks } from './nodes.js';

/** For a form whose checks were not put together ahead: with its schema, what that asks for is fetched. */
export async function fetchChecks(fetched: () => Promise<unknown>): Promise<WrittenChecks> {
  const [{ checksFor }, schema] = await Promise.all([import('./engine.js'), fetched()]);
  return checksFor(schema);
}
