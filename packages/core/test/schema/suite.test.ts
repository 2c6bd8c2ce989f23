/** The official JSON Schema test suite, as Debian packs it: every required test of five drafts, and the optional ones. */
import { existsSync } from 'node:fs';
import { join, relative } from 'node:path';
import { compileSchema, outputOf, prepareSchema, SchemaError, type CompiledSchema } from '../../src/index.js';
import { isObject } from '../../src/json/index.js';
import { enginePartsOf } from '../../src/schema/index.js';
import type { Formats } from '../../src/schema/formats/format.js';
import type { Family } from '../../src/schema/keywords/context.js';
import * as checking from '../../src/written/checks.js';
import { knownFailures } from './known-failures.js';
import { documents, drafts, files, home, read, type Group } from './suite.js';

/** The names of the tests that give another verdict than the suite, and how many were run. */
function run(
  draft: string,
  dialect: string,
  documents: Record<string, unknown>,
  optional: boolean,
): { count: number; failed: string[] } {
  const folder = join(home, 'tests', draft);
  const failed: string[] = [];
  let count = 0;
  for (const path of files(folder)) {
    const name = relative(folder, path);
    if (name.startsWith('optional') !== optional) continue;
    for (const group of read(path) as Group[]) {
      let accepts: ((data: unknown) => boolean) | string;
      try {
        const compiled = compileSchema(group.schema, {
          dialect,
          documents,
          assertFormats: /^optional\/(format\/|content|ecmascript-regex)/.test(name),
        });
        accepts = (data) => {
          const verdict = compiled.validate(data);
          if (verdict.valid !== compiled.accepts(data)) throw new Error('accepts and validate disagree');
          return verdict.valid;
        };
      } catch (error) {
        accepts = error instanceof SchemaError ? error.message : String(error);
      }
      for (const { description, data, valid } of group.tests) {
        count++;
        const full = `${name} | ${group.description} | ${description}`;
        if (typeof accepts === 'string') failed.push(`${full} (${accepts})`);
        else {
          try {
            if (accepts(data) !== valid) failed.push(full);
          } catch (error) {
            failed.push(`${full} (${String(error)})`);
          }
        }
      }
    }
  }
  return { count, failed };
}

/** The schema with what a hand-over would bring along for it; it names its dialect, as a file does. */
function putTogether(schema: unknown, dialect: string): CompiledSchema | undefined {
  const named = isObject(schema) ? { $schema: dialect, ...schema } : schema;
  const parts = enginePartsOf(named);
  if (!parts || !isObject(schema)) return undefined;
  const of = <T>(all: object, names: readonly string[]): T[] => names.map((name) => (all as Record<string, T>)[name]!);
  const formats = of<Formats>(checking, parts.formats);
  const families = of<Family>(checking, parts.keywords);
  const beyond = { ...(parts.isFar && checking.far), ...(parts.isOlder && checking.older) };
  const format = formats.length > 0 ? [checking.format(Object.assign({}, ...formats) as Formats)] : [];
  return checking.checkedBy(named, [...families, ...format], beyond).compiled;
}

describe('the official suite', () => {
  it('is installed', () => expect(existsSync(home)).toBe(true));
  // Remotes without "$schema" are of the draft that asks for them; those of other drafts name theirs.
  it.each(drafts)('%s: every required test', (draft, dialect) => {
    const { count, failed } = run(draft, dialect, documents, false);
    console.info(`suite ${draft}: ${count - failed.length} of ${count} required tests`);
    expect(failed).toEqual([]);
  });
  it.each(drafts)('%s: the optional tests, but for those that docs/schema.md lists', (draft, dialect) => {
    const { count, failed } = run(draft, dialect, documents, true);
    console.info(`suite ${draft}: ${count - failed.length} of ${count} optional tests`);
    expect(failed.map((name) => name.replace(/ \(At.*/s, ''))).toEqual(knownFailures[draft] ?? []);
  });
  it.each(drafts)(
    '%s: what a schema asks for judges it as the whole engine does, in the same words',
    async (draft, dialect) => {
      const folder = join(home, 'tests', draft);
      let count = 0;
      for (const path of files(folder))
        for (const { schema, tests } of read(path) as Group[]) {
          // Documents are looked through, too; those that nobody asks for would have everything fetched.
          const needed = JSON.stringify(schema).includes('localhost') ? documents : {};
          const options = { dialect, documents: needed, assertFormats: true };
          let whole: CompiledSchema;
          try {
            whole = compileSchema(schema, options);
          } catch (error) {
            await expect(prepareSchema(schema, options)).rejects.toThrow((error as Error).message);
            continue;
          }
          const prepared = await prepareSchema(schema, options);
          const ahead = needed === documents ? undefined : putTogether(schema, dialect);
          for (const { data } of tests) {
            expect(prepared.validate(data)).toEqual(whole.validate(data));
            if (ahead) expect(ahead.validate(data)).toEqual(whole.validate(data));
            expect(prepared.accepts(data)).toBe(whole.accepts(data));
            count++;
          }
        }
      expect(count).toBeGreaterThan(500);
    },
  );
  it.each(['draft2019-09', 'draft2020-12'])('%s: the output tests', (draft) => {
    const folder = join(home, 'output-tests', draft);
    const outputSchema = read(join(folder, 'output-schema.json'));
    const uri =
      draft === 'draft2020-12'
        ? 'https://json-schema.org/draft/2020-12/output/schema'
        : 'https://json-schema.org/draft/2019-09/output/schema';
    const failed: string[] = [];
    let count = 0;
    for (const path of files(join(folder, 'content'))) {
      for (const { description, schema, tests } of read(path) as Group[]) {
        for (const one of tests as unknown as {
          description: string;
          data: unknown;
          output: Record<string, unknown>;
        }[]) {
          for (const [format, expected] of Object.entries(one.output)) {
            count++;
            const got = outputOf(compileSchema(schema), one.data, format as 'basic');
            const { problems } = compileSchema(expected, { documents: { [uri]: outputSchema } }).validate(
              JSON.parse(JSON.stringify(got)),
            );
            if (problems.length > 0)
              failed.push(
                `${relative(folder, path)} | ${description} | ${one.description}: ${problems.map(({ at, message }) => `${at} ${message}`).join('; ')}`,
              );
          }
        }
      }
    }
    console.info(`suite ${draft}: ${count - failed.length} of ${count} output tests`);
    expect(failed).toEqual([]);
  });
});
