import { isObject } from '@poietra/core';

/** A value of a case as a person writes it in a cell: JSON, `nothing`, or `date 2026-12-01`. */
export function cellText(written: unknown): string {
  if (isObject(written)) {
    if (written['$is'] === 'undefined') return 'nothing';
    if (written['$is'] === 'Date') return `date ${String(written['value']).replace('T00:00:00.000', '')}`;
  }
  return written === undefined ? '' : JSON.stringify(written);
}

export function readCell(
  text: string,
): { readonly ok: true; readonly written: unknown } | { readonly ok: false; readonly reason: string } {
  const trimmed = text.trim();
  if (trimmed === 'nothing' || trimmed === 'undefined') return { ok: true, written: { $is: 'undefined' } };
  const date = /^date (\d{4}-\d\d-\d\d)(T[\d:.]+)?$/.exec(trimmed);
  if (date) return { ok: true, written: { $is: 'Date', value: `${date[1] ?? ''}${date[2] ?? 'T00:00:00.000'}` } };
  try {
    return { ok: true, written: JSON.parse(trimmed) as unknown };
  } catch {
    return {
      ok: false,
      reason: `“${trimmed}” is no JSON. A text stands in quotation marks: "${trimmed}". Also possible: nothing, date 2026-12-01.`,
    };
  }
}
