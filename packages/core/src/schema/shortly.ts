import { jsonText } from '../json/index.js';

/** A value as a short text. */
export const shortly = (value: unknown): string => {
  const text = typeof value === 'string' ? `“${value}”` : (jsonText(value) ?? 'nothing');
  return text.length > 60 ? `${text.slice(0, 59)}…` : text;
};
