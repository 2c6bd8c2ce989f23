/** What of a kit's fields and codecs is looked up by those who draw, also of a plan that was written out. */
import type { CodecDescription } from '../codec/index.js';

/** What draws and carries a value: an adapter by name (`native:text`, or one of the kit's) and a codec. */
export interface FieldUse {
  readonly adapter: string;
  readonly codec: CodecDescription;
  readonly field?: string;
}
/** The fields and codecs of a kit, as far as they are looked up. */
export interface KitFields {
  readonly fields?: Readonly<Record<string, { readonly adapter: string; readonly codec: string }>>;
  readonly codecs?: Readonly<Record<string, CodecDescription>>;
}

/** A field of the kit, by its name. */
export function kitField(field: string, { fields, codecs }: KitFields): FieldUse | undefined {
  const named = fields?.[field];
  return named && { adapter: named.adapter, codec: codecs?.[named.codec] ?? { kind: named.codec }, field };
}

/** A codec for which an emptied input means null. */
export const withNull = (codec: CodecDescription): CodecDescription => ({
  ...codec,
  options: { ...codec.options, empty: 'null' },
});
