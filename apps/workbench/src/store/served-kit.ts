import { readKit, type Kit } from '@poietra/core';
import { ask } from './ask.js';

/** A kit that the server has, checked like any other. What checks it is fetched with this file: most openings need it not. */
export async function servedKit(address: string): Promise<Kit> {
  const reading = readKit(await ask(address));
  if (!reading.ok) throw new Error(reading.problems.map(({ at, message }) => `${at}: ${message}`).join('\n'));
  return reading.kit;
}
