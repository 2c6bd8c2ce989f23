import { isObject } from '@poietra/core';
import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
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

/** Records of one sort, in one file that is replaced as a whole: a killed server leaves the old one or the new one. */
export class Records {
  readonly #file: string;
  #all: CompanyRecord[];

  constructor(
    folder: string,
    name: string,
    private readonly collection: Collection,
  ) {
    this.#file = join(folder, `${name}.json`);
    this.#all = this.#read() ?? [...collection.seed];
  }

  list(): readonly CompanyRecord[] {
    return this.#all;
  }
  get(number: string): CompanyRecord {
    const found = this.#all.find((record) => record.number === number);
    if (!found) throw new Refusal(404, 'No such record', `There is no ${number}.`);
    return found;
  }
  create(body: unknown): CompanyRecord {
    const highest = Math.max(1000, ...this.#all.map(({ number }) => Number(number.replace(/\D/g, '')) || 0));
    const record = { ...this.#accepted(body), number: `${this.collection.mark}-${highest + 1}` };
    this.#all = [...this.#all, record];
    this.#write();
    return record;
  }
  replace(number: string, body: unknown): CompanyRecord {
    this.get(number);
    const record = { ...this.#accepted(body), number };
    this.#all = this.#all.map((other) => (other.number === number ? record : other));
    this.#write();
    return record;
  }
  change(number: string, body: unknown): CompanyRecord {
    if (!isObject(body))
      throw new Refusal(400, 'No record', 'A change is a JSON object with the members to be changed.');
    const merged: Record<string, unknown> = { ...this.get(number), ...body };
    // JSON Merge Patch (RFC 7396): null takes a member away.
    for (const [name, value] of Object.entries(body)) if (value === null) delete merged[name];
    return this.replace(number, merged);
  }
  remove(number: string): void {
    this.get(number);
    this.#all = this.#all.filter((other) => other.number !== number);
    this.#write();
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
    return body;
  }
  #read(): CompanyRecord[] | undefined {
    try {
      const read: unknown = JSON.parse(readFileSync(this.#file, 'utf8'));
      return Array.isArray(read) ? (read as CompanyRecord[]) : undefined;
    } catch {
      return undefined;
    }
  }
  #write(): void {
    mkdirSync(dirname(this.#file), { recursive: true });
    writeFileSync(`${this.#file}.new`, JSON.stringify(this.#all, undefined, 2));
    renameSync(`${this.#file}.new`, this.#file);
  }
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
