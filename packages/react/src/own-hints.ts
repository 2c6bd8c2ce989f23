import type { Hints, OwnHintUse } from '@poietra/core';

/** What the hints of one's own come to for a field. */
export interface OwnHints {
  readonly properties: Readonly<Record<string, unknown>>;
  readonly words: readonly string[];
  /** Marks of the element around it, for style sheets. */
  readonly marks: Readonly<Record<string, string>> | undefined;
}

/** Reads hints of one's own, for `DrawnForm`: what each of them does to the drawing of a field. */
export function drawOwnHints(known: Readonly<Record<string, OwnHintUse>>): (hints: Hints) => OwnHints {
  return (hints) => {
    const properties: Record<string, unknown> = {};
    const words: string[] = [];
    const marks: Record<string, string> = {};
    for (const [name, own] of Object.entries(known)) {
      const value = hints[name];
      if (value === undefined) continue;
      if (own.does === 'property') properties[own.property] = value;
      else if (own.does === 'words') words.push(own.words.replaceAll('{value}', String(value)));
      else marks[`data-${name.toLowerCase()}`] = String(value);
    }
    return { properties, words, marks: Object.keys(marks).length > 0 ? marks : undefined };
  };
}
