import { jsonText } from '../json/index.js';

/** A value as a short text, between the quotation marks of a language and with its word for nothing. */
export function shortly(
  value: unknown,
  [open, close]: readonly [string, string] = ['“', '”'],
  nothing = 'nothing',
): string {
  const text = typeof value === 'string' ? `${open}${value}${close}` : (jsonText(value) ?? nothing);
  return text.length > 60 ? `${text.slice(0, 59)}…` : text;
}
