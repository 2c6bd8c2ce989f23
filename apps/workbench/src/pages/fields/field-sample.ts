import { isObject, type FieldDescription, type Kit } from '@poietra/core';

/** A form with just this field: the schema that its codec's values have. */
export function fieldSample(
  name: string,
  field: FieldDescription,
  kit: Kit,
  more: { readonly required?: boolean; readonly readOnly?: boolean; readonly title?: string } = {},
): unknown {
  const kind = kit.codecs[field.codec]?.kind ?? field.codec;
  const types: Readonly<Record<string, unknown>> = {
    text: { type: 'string' },
    trimmed: { type: 'string' },
    number: { type: 'number' },
    integer: { type: 'integer' },
    boolean: { type: 'boolean' },
    date: { type: 'string', format: 'date' },
  };
  return {
    type: 'object',
    ...((more.required ?? field.required) ? { required: [name] } : {}),
    properties: {
      [name]: {
        ...(isObject(types[kind]) ? types[kind] : {}),
        title: more.title ?? field.label ?? field.title ?? name,
        ...(more.readOnly ? { readOnly: true } : {}),
        'x-poietra': { field: name },
      },
    },
  };
}
