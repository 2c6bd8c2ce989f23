import { makeCodec, type Codec } from '../codec/index.js';
import type { Pointer } from '../json/index.js';
import { compileSchema, fillDefaults, type Facts } from '../schema/index.js';
import { attend } from './attend.js';
import { FormExpressions } from './computed.js';
import { OpenForm } from './form.js';
import { Moves } from './moves.js';
import { normalWhileTyping } from './normal.js';
import { fits } from './fits.js';
import type { CodecAt, Form, FormOptions } from './types.js';

/** Opens a form on a schema. @throws {SchemaError} as `compileSchema` does. */
export function openForm<T = unknown>(options: FormOptions): Form<T> {
  const compiled = options.compiled ?? compileSchema(options.schema, { assertFormats: true, ...options.compile });
  const { codecs } = options;
  const form = new OpenForm(
    { ...options, codecs: typeof codecs === 'object' ? codecsBy(codecs) : codecs },
    {
      schema: compiled,
      fill: (begin) => fillDefaults(compiled, begin),
      moves: (form) => new Moves(form),
      codec: (facts) => makeCodec({ kind: codecKind(facts) }),
      express: (...args) => new FormExpressions(...args),
      attend,
      normal: normalWhileTyping,
    },
  );
  // What it sends is of this type, since its schema accepted it; the form itself knows no types.
  return form as Form<T>;
}

/** Codecs by place; a place of its own goes before a pattern. */
function codecsBy(codecs: Readonly<Record<Pointer, Codec>>): CodecAt {
  const patterns = Object.entries(codecs).filter(([at]) => at.includes('*'));
  return (at) => codecs[at] ?? patterns.find(([pattern]) => fits(pattern, at))?.[1];
}

/** The codec for a place of which nothing but its schema is known. */
export function codecKind({ kinds }: Facts): string {
  const [kind] = kinds?.filter((one) => one !== 'null') ?? [];
  if (kind === 'string') return 'text';
  return kind === 'number' || kind === 'integer' || kind === 'boolean' ? kind : 'same';
}
