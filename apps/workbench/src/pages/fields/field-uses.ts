import { isObject, type FieldDescription, type Kit } from '@poietra/core';

/** Every form and group whose hints name a field. */
export function usesOfField(name: string, kit: Kit): { to: string; text: string }[] {
  const names = (value: unknown): boolean =>
    Array.isArray(value)
      ? value.some(names)
      : isObject(value) &&
        ((isObject(value['x-poietra']) && value['x-poietra']['field'] === name) ||
          value['field'] === name ||
          Object.values(value).some(names));
  return [
    ...Object.entries(kit.groups)
      .filter(([, group]) => names(group.schema))
      .map(([id, group]) => ({ to: `/groups/${id}`, text: `${group.title} (group)` })),
    ...Object.entries(kit.forms)
      .filter(([, form]) => names(form.schema) || names(form.hints))
      .map(([id, form]) => ({ to: `/forms/${id}`, text: form.title })),
  ];
}

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
