/** What leaves Poietra for the developer's own application: typed source, schemas, the kit. */
import { isObject } from '../json/index.js';
import { lookCss, writeKit, type Kit } from '../kit/index.js';
import { adapterFiles } from './adapters.js';
import { contractFiles } from './contract.js';
import { codecFiles, fieldsFile } from './codecs.js';
import { indexFile, readmeFile } from './folder.js';
import type { HandoverFile } from './file.js';
import { skinsFile } from './skins.js';
import { formFiles } from './forms.js';
import { standAlone, type OwnSources } from './own.js';

/** How a kit is handed over. */
export interface HandOverWay {
  /** The libraries' own source, where the folder stands on its own. */
  readonly own?: OwnSources | undefined;
  /** How many folders below the project's root the files are put: `src/forms` is 2. The project's own inputs are named from there. */
  readonly depth?: number;
}

/**
 * Every file of a kit, in a fixed order. The source compiles under `strict` against `@poietra/core` and `@poietra/react`;
 * with the libraries' own source (`own`) it needs neither: adapters are plain components then, codecs and validators plain
 * functions, and what forms need comes along.
 */
export function handOver(kit: Kit, { own, depth = 1 }: HandOverWay = {}): HandoverFile[] {
  const isOwn = own !== undefined;
  const source = [
    ...adapterFiles(kit, isOwn, depth),
    ...codecFiles(kit, isOwn),
    fieldsFile(kit, isOwn),
    ...skinsFile(kit),
    ...lookFile(kit),
    ...formFiles(kit, isOwn),
    indexFile(kit, isOwn),
    ...contractFiles(kit),
  ];
  const alone = own && standAlone(source, own);
  return [...(alone?.files ?? source), readmeFile(kit, alone?.packages), { path: 'kit.json', text: writeKit(kit) }];
}

function lookFile({ look = {} }: Kit): HandoverFile[] {
  const text = lookCss(look);
  return text === '' ? [] : [{ path: 'look.css', text }];
}

/** Every group that a schema refers to, by name; for "where is it used". */
export function usedGroups(schema: unknown): string[] {
  const found = new Set<string>();
  const walk = (value: unknown): void => {
    if (Array.isArray(value)) value.forEach(walk);
    else if (isObject(value)) {
      const reference = value['$ref'];
      const name = typeof reference === 'string' ? /^urn:poietra:group:(.+)$/.exec(reference)?.[1] : undefined;
      if (name !== undefined) found.add(name);
      Object.values(value).forEach(walk);
    }
  };
  walk(schema);
  return [...found];
}
