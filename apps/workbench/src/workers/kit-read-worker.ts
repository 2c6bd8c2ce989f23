import { readKitText, type KitReading } from '@poietra/core';
import { expose } from 'comlink';

/** A kit file is read whole, and every schema in it compiled: for a large kit that is work of seconds. */
export const kitRead = { readFile: async (file: Blob): Promise<KitReading> => readKitText(await file.text()) };
export type KitRead = typeof kitRead;
expose(kitRead);
