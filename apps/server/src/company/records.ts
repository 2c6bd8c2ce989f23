import { copyJson, isObject } from '@poietra/core';
import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, renameSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { lockSync } from 'proper-lockfile';
import { sync as writeFileAtomic } from 'write-file-atomic';
import { Refusal } from '../problem.js';

export interface CompanyRecord {
  readonly number: string;
  readonly [member: string]: unknown;
}
/** What the company keeps: how its numbers begin, and what it refuses. */
interface Collection {
  readonly mark: string;
  readonly seed: readonly CompanyRecord[];
  readonly rules?: (body: Readonly<Record<string, unknown>>) => readonly { pointer: string; detail: string }[];
}

/** What the file of a collection holds. */
interface Stored {
  readonly records: readonly CompanyRecord[];
  /** Which record a request with an idempotency key made, so that the same request twice makes one record. */
  readonly keys: Readonly<Record<string, string>>;
}

const mostKeys = 1000;
/** For how long another server on the same folder is waited for. In milliseconds. */
const patience = 3000;

/**
 * Records of one sort, in one file that is replaced as a whole: a killed server leaves the old one or the new one.
 * Every change reads the file, changes and writes it while it has the lock, so two servers on one folder lose nothing.
 * Nothing is kept in memory that is not on the disk.
 */
export class Records {
  readonly #file: string;

  constructor(
    folder: string,
    name: string,
    private readonly collection: Collection,
    private readonly warn: (text: string) => void = () => undefined,
  ) {
    this.#file = join(folder, `${name}.json`);
  }

  list(): readonly CompanyRecord[] {
    return this.#read().records;
  }
  get(number: string): CompanyRecord {
    return found(this.#read().records, number);
  }
  /** With a key that was seen before: the record that it made, and nothing new. */
  create(body: unknown, key?: string): CompanyRecord {
    const accepted = this.#accepted(body);
    return this.#change(({ records, keys }) => {
      const known = key === undefined || !Object.hasOwn(keys, key) ? undefined : keys[key];
      const before = records.find(({ number }) => number === known);
      if (before) return { records, keys, result: before };
      const highest = Math.max(1000, ...records.map(({ number }) => Number(number.replace(/\D/g, '')) || 0));
      const record = { ...accepted, number: `${this.collection.mark}-${highest + 1}` };
      const next =
        key === undefined
          ? keys
          : Object.fromEntries([...Object.entries(keys).slice(1 - mostKeys), [key, record.number]]);
      return { records: [...records, record], keys: next, result: record };
    });
  }
  /** `match`: the tag that the record must still have (RFC 9110, section 13.1.1). */
  replace(number: string, body: unknown, match?: string): CompanyRecord {
    const accepted = this.#accepted(body);
    return this.#put(number, match, () => ({ ...accepted, number }));
  }
  change(number: string, body: unknown, match?: string): CompanyRecord {
    if (!isObject(body))
      throw new Refusal(400, 'No record', 'A change is a JSON object with the members to be changed.');
    return this.#put(number, match, (before) => {
      const merged: Record<string, unknown> = { ...before, ...body };
      // JSON Merge Patch (RFC 7396): null takes a member away.
      for (const [name, value] of Object.entries(body)) if (value === null) delete merged[name];
      return { ...this.#accepted(merged), number };
    });
  }
  remove(number: string, match?: string): void {
    this.#change(({ records, keys }) => {
      checkTag(found(records, number), match);
      return { records: records.filter((other) => other.number !== number), keys, result: undefined };
    });
  }

  #put(number: string, match: string | undefined, next: (before: CompanyRecord) => CompanyRecord): CompanyRecord {
    return this.#change(({ records, keys }) => {
      const before = found(records, number);
      checkTag(before, match);
      const record = next(before);
      return { records: records.map((other) => (other === before ? record : other)), keys, result: record };
    });
  }
  #accepted(body: unknown): Record<string, unknown> {
    if (!isObject(body)) throw new Refusal(400, 'No record', 'A record is a JSON object.');
    const errors = this.collection.rules?.(body) ?? [];
    if (errors.length > 0)
      throw new Refusal(
        422,
        'The booking was refused',
        errors.length === 1 ? 'One field was refused.' : `${errors.length} fields were refused.`,
        [...errors],
      );
    try {
      // Measured before it is kept: a record that cannot be written would poison all others.
      return copyJson(body) as Record<string, unknown>;
    } catch (error) {
      throw new Refusal(422, 'The record is too deep or too large', error instanceof Error ? error.message : undefined);
    }
  }
  #change<T>(change: (before: Stored) => Stored & { readonly result: T }): T {
    const free = this.#lock();
    try {
      const { result, records, keys } = change(this.#read());
      writeFileAtomic(this.#file, JSON.stringify({ records, keys }, undefined, 2));
      return result;
    } finally {
      free();
    }
  }
  #read(): Stored {
    let text: string;
    try {
      text = readFileSync(this.#file, 'utf8');
    } catch {
      return { records: this.collection.seed, keys: {} };
    }
    try {
      const read: unknown = JSON.parse(text);
      // Before there were keys, the file was the list.
      if (Array.isArray(read)) return { records: read as CompanyRecord[], keys: {} };
      const { records, keys } = read as Partial<Stored>;
      if (Array.isArray(records)) return { records, keys: keys ?? {} };
    } catch {
      // Set aside below, like a file with something else in it.
    }
    return this.#setAside();
  }
  /** A broken file is never written over: it is kept beside, and told. */
  #setAside(): Stored {
    const aside = `${this.#file}.broken-${Date.now()}`;
    renameSync(this.#file, aside);
    this.warn(`${this.#file} could not be read; it is kept as ${aside}, and the collection begins anew.`);
    return { records: this.collection.seed, keys: {} };
  }
  #lock(): () => void {
    mkdirSync(dirname(this.#file), { recursive: true });
    const end = Date.now() + patience;
    for (;;) {
      try {
        return lockSync(this.#file, { realpath: false, stale: 10_000 });
      } catch (error) {
        if ((error as { code?: unknown }).code !== 'ELOCKED' || Date.now() > end)
          throw new Refusal(503, 'The records are being written by another server', 'Try again in a moment.');
        Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 5);
      }
    }
  }
}

/** The tag of a record as it stands (RFC 9110, section 8.8.3). */
export function tagOf(record: CompanyRecord): string {
  return `"${createHash('sha256').update(JSON.stringify(record)).digest('base64url').slice(0, 22)}"`;
}

function checkTag(record: CompanyRecord, match: string | undefined): void {
  if (match === undefined || match === '*') return;
  const tags = match.split(',').map((tag) => tag.trim());
  if (!tags.includes(tagOf(record)))
    throw new Refusal(412, 'Somebody has changed it meanwhile', 'Load the record again, then make your change on it.');
}

function found(records: readonly CompanyRecord[], number: string): CompanyRecord {
  const record = records.find((one) => one.number === number);
  if (!record) throw new Refusal(404, 'No such record', `There is no ${number}.`);
  return record;
}

/** Rules that only the company knows: no schema tells them, so they come back as refusals of single fields. */
export function bookingRules(body: Readonly<Record<string, unknown>>): { pointer: string; detail: string }[] {
  const errors: { pointer: string; detail: string }[] = [];
  const [consignor, consignee] = [body['consignor'], body['consignee']];
  if (
    isObject(consignor) &&
    isObject(consignee) &&
    consignor['name'] !== undefined &&
    consignor['name'] === consignee['name']
  ) {
    errors.push({
      pointer: '#/consignee/name',
      detail: 'Consignor and consignee are the same; goods have to go to somebody else.',
    });
  }
  const date = body['collection'];
  const day = typeof date === 'string' ? date.slice(0, 10) : '';
  if (day !== '' && new Date(`${day}T12:00:00Z`).getUTCDay() === 0)
    errors.push({ pointer: '#/collection', detail: 'Nothing is collected on Sundays.' });
  if (typeof body['weight'] === 'number' && body['weight'] > 40_000)
    errors.push({ pointer: '#/weight', detail: 'More than 40 000 kg needs a call to the harbour office.' });
  return errors;
}
