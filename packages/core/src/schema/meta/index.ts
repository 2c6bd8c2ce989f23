/** The published meta-schemas of the five drafts, word for word. */
import draft04 from './draft-04.json' with { type: 'json' };
import draft06 from './draft-06.json' with { type: 'json' };
import draft07 from './draft-07.json' with { type: 'json' };
import draft201909 from './draft-2019-09.json' with { type: 'json' };
import draft202012 from './draft-2020-12.json' with { type: 'json' };

const byUri = new Map<string, unknown>();
byUri.set('http://json-schema.org/draft-04/schema', draft04);
byUri.set('http://json-schema.org/draft-06/schema', draft06);
byUri.set('http://json-schema.org/draft-07/schema', draft07);
for (const schema of [...draft201909, ...draft202012]) byUri.set(schema.$id, schema);

/** A built-in meta-schema by its URI without fragment. */
export function metaSchema(uri: string): unknown {
  return byUri.get(uri);
}
