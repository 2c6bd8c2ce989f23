import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Records, tagOf } from '../src/company/records.js';

const folder = mkdtempSync(join(tmpdir(), 'poietra-records-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
let turn = 0;
const warned: string[] = [];
const opened = (name: string): Records =>
  new Records(folder, name, { mark: 'R', seed: [] }, (text) => warned.push(text));
const fresh = (): [Records, Records, string] => {
  const name = `sort-${turn++}`;
  return [opened(name), opened(name), join(folder, `${name}.json`)];
};
const nested = (depth: number): unknown => (depth === 0 ? 1 : { a: nested(depth - 1) });

describe('records in a file', () => {
  it('two servers on one folder lose nothing of each other', () => {
    const [one, other] = fresh();
    for (let i = 0; i < 20; i++) (i % 2 === 0 ? one : other).create({ i });
    expect([one.list().length, new Set(other.list().map(({ number }) => number)).size]).toEqual([20, 20]);
  });
  it('the same request twice makes one record, also after the server was begun anew', () => {
    const [one, other] = fresh();
    const made = one.create({ pieces: 1 }, 'key-1');
    expect(one.create({ pieces: 1 }, 'key-1')).toEqual(made);
    expect(other.create({ pieces: 1 }, 'key-1')).toEqual(made);
    expect(other.create({ pieces: 1 }, 'toString').number).not.toBe(made.number);
    expect(one.list()).toHaveLength(2);
  });
  it('a record that is too deep is refused, and nothing of it stays', () => {
    const [one] = fresh();
    one.create({ good: true });
    expect(() => one.create({ deep: nested(5000) })).toThrow(/deep/i);
    expect(one.list()).toEqual([{ good: true, number: 'R-1001' }]);
  });
  it('a change is made on the record that was seen, or not at all', () => {
    const [one, other] = fresh();
    const made = one.create({ pieces: 1 });
    const tag = tagOf(made);
    other.change(made.number, { pieces: 2 });
    expect(() => one.replace(made.number, { pieces: 3 }, tag)).toThrow('Load the record again');
    expect(() => one.remove(made.number, tag)).toThrow('Load the record again');
    expect(one.get(made.number)['pieces']).toBe(2);
    expect(one.replace(made.number, { pieces: 3 }, `"x", ${tagOf(one.get(made.number))}`)['pieces']).toBe(3);
    expect(one.replace(made.number, { pieces: 4 }, '*')['pieces']).toBe(4);
  });
  it('a broken file is kept beside and told, never written over', () => {
    const [one, , file] = fresh();
    writeFileSync(file, '{"records": [');
    expect(one.list()).toEqual([]);
    one.create({ next: true });
    const aside = readdirSync(folder).find((name) => name.includes('.broken-'));
    expect(readFileSync(join(folder, aside!), 'utf8')).toBe('{"records": [');
    expect(warned.at(-1)).toContain('could not be read; it is kept as');
  });
  it('a file of before there were keys is read', () => {
    const [one, , file] = fresh();
    writeFileSync(file, JSON.stringify([{ number: 'R-1007' }]));
    expect(one.create({}).number).toBe('R-1008');
  });
});
