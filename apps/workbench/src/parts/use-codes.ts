import type { Kit } from '@poietra/core';
import { ask } from '../store/ask.js';
import { useServed } from './use-served.js';

/**
 * The kit's codecs that are code, as the server keeps them for its bundles: `name:key`. `undefined` until it has them.
 * One that cannot be taken is left out; its fields then say that it is not at hand.
 */
export function useCodes(codecs: Kit['codecs']): readonly string[] | undefined {
  const sources = sourcesOf(codecs);
  const { value } = useServed(JSON.stringify(sources), () => keysOf(sources));
  return sources.length === 0 ? none : value;
}
const none: readonly string[] = [];

/** The same, for those who ask once. */
export function keysOfCodes(codecs: Kit['codecs']): Promise<readonly string[]> {
  return keysOf(sourcesOf(codecs));
}

type Source = readonly [name: string, source: string];
function sourcesOf(codecs: Kit['codecs']): readonly Source[] {
  return Object.entries(codecs).flatMap(([name, { kind, options }]) =>
    kind === 'code' && typeof options?.['source'] === 'string' ? [[name, options['source']] as const] : [],
  );
}

async function keysOf(sources: readonly Source[]): Promise<readonly string[]> {
  const found = await Promise.all(
    sources.map(async ([name, source]) => {
      try {
        const { key } = (await ask('/api/codec', { method: 'POST', json: { source } })) as { key: string };
        return [`${name}:${key}`];
      } catch {
        return [];
      }
    }),
  );
  return found.flat();
}

/** In a frame, code is known by its codec's name. */
export function codecsForFrame(codecs: Kit['codecs']): Kit['codecs'] {
  return Object.fromEntries(
    Object.entries(codecs).map(([name, codec]) => {
      if (codec.kind !== 'code') return [name, codec];
      const { source: _source, ...options } = codec.options ?? {};
      return [name, { ...codec, options: { ...options, code: name } }];
    }),
  );
}
