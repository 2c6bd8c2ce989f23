import { isObject } from '@poietra/core';
import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { Refusal } from '../problem.js';

export interface Booking {
  readonly number: string;
  readonly [member: string]: unknown;
}

/** The bookings, in one file that is replaced as a whole: a killed server leaves the old one or the new one. */
export class Bookings {
  readonly #file: string;
  #all: Booking[];

  constructor(folder: string, seed: readonly Booking[]) {
    this.#file = join(folder, 'bookings.json');
    this.#all = this.#read() ?? [...seed];
  }

  list(): readonly Booking[] {
    return this.#all;
  }
  get(number: string): Booking {
    const found = this.#all.find((booking) => booking.number === number);
    if (!found) throw new Refusal(404, 'No such booking', `There is no booking ${number}.`);
    return found;
  }
  create(body: unknown): Booking {
    const highest = Math.max(1000, ...this.#all.map(({ number }) => Number(number.replace(/\D/g, '')) || 0));
    const booking = { ...accepted(body), number: `FB-${highest + 1}` };
    this.#all = [...this.#all, booking];
    this.#write();
    return booking;
  }
  replace(number: string, body: unknown): Booking {
    this.get(number);
    const booking = { ...accepted(body), number };
    this.#all = this.#all.map((other) => (other.number === number ? booking : other));
    this.#write();
    return booking;
  }
  change(number: string, body: unknown): Booking {
    if (!isObject(body))
      throw new Refusal(400, 'No booking', 'A change is a JSON object with the members to be changed.');
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

  #read(): Booking[] | undefined {
    try {
      const read: unknown = JSON.parse(readFileSync(this.#file, 'utf8'));
      return Array.isArray(read) ? (read as Booking[]) : undefined;
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
function accepted(body: unknown): Record<string, unknown> {
  if (!isObject(body)) throw new Refusal(400, 'No booking', 'A booking is a JSON object.');
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
  if (typeof date === 'string' && new Date(`${date}T12:00:00Z`).getUTCDay() === 0)
    errors.push({ pointer: '#/collection', detail: 'Nothing is collected on Sundays.' });
  if (typeof body['weight'] === 'number' && body['weight'] > 40_000)
    errors.push({ pointer: '#/weight', detail: 'More than 40 000 kg needs a call to the harbour office.' });
  if (errors.length > 0)
    throw new Refusal(
      422,
      'The booking was refused',
      errors.length === 1 ? 'One field was refused.' : `${errors.length} fields were refused.`,
      errors,
    );
  return body;
}
