import { compileSchema, compileSchemaInTurns } from '../../src/index.js';

/** Thousands of parts that refer to each other. */
function large(count: number): unknown {
  return {
    $ref: '#/$defs/part0',
    $defs: Object.fromEntries(
      Array.from({ length: count }, (_, i) => [
        `part${i}`,
        {
          $anchor: `a${i}`,
          properties: { weight: { type: 'number', minimum: i }, next: { $ref: `#/$defs/part${(i + 1) % count}` } },
        },
      ]),
    ),
  };
}
const chain = (depth: number): unknown => (depth === 0 ? { weight: -1 } : { next: chain(depth - 1) });

describe('a schema that is made ready in turns', () => {
  it('says what it says when it is made ready at once', async () => {
    const schema = large(300);
    const at = compileSchema(schema);
    let turns = 0;
    const inTurns = await compileSchemaInTurns(schema, () => void turns++);
    expect(inTurns.validate(chain(250))).toEqual(at.validate(chain(250)));
    expect(inTurns.accepts({ weight: 3 })).toBe(true);
    expect(turns).toBeGreaterThan(10);
  });
  it('waits for each turn, and ends where one is refused', async () => {
    const waited: number[] = [];
    await compileSchemaInTurns(large(300), async () => {
      waited.push(waited.length);
      await Promise.resolve();
    });
    expect(waited.length).toBeGreaterThan(10);
    const stop = new Error('Nobody waits for it.');
    let asked = 0;
    const given = compileSchemaInTurns(large(300), () => (asked++ === 3 ? Promise.reject(stop) : undefined));
    await expect(given).rejects.toBe(stop);
    expect(asked).toBe(4);
  });
  it('fails as it fails at once', async () => {
    const schema = { properties: { a: { minimum: 'x' }, b: { $ref: '#/nowhere' } } };
    const message = (() => {
      try {
        compileSchema(schema);
        return '';
      } catch (error) {
        return (error as Error).message;
      }
    })();
    expect(message).not.toBe('');
    await expect(compileSchemaInTurns(schema, () => undefined)).rejects.toThrow(message);
  });
  it('finds anchors of the first of two parts in the order of the document', () => {
    const schema = {
      $ref: '#here',
      $defs: { a: { $defs: { deep: { $anchor: 'other' } } }, b: { $anchor: 'here', type: 'string' } },
    };
    expect(compileSchema(schema).accepts(1)).toBe(false);
  });
});
