/** The formats of JSON Schema 2020-12, section 7.3, by name; and those of earlier drafts that have another name. */
import { addresses } from './formats/addresses.js';
import type { Formats } from './formats/format.js';
import { hosts } from './formats/hosts.js';
import { names } from './formats/names.js';
import { times } from './formats/times.js';
export type { Format, Formats } from './formats/format.js';

/** In families, each in a file of its own: a form that was written out brings those that its schema names. */
export const formatFamilies = { addresses, hosts, names, times } as const satisfies Readonly<Record<string, Formats>>;

/** Every standard format, by name. */
export const standardFormats: Formats = { ...times, ...hosts, ...addresses, ...names };
