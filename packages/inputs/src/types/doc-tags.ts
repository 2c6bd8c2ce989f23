import ts from 'typescript';

/** Tags of a doc comment that are keywords of JSON Schema: their text is the value, as JSON where it can be read so. */
const keywords = new Set(
  `title format pattern minimum maximum exclusiveMinimum exclusiveMaximum multipleOf minLength maxLength minItems
  maxItems uniqueItems default examples contentMediaType contentEncoding`.split(/\s+/),
);
const texts = new Set(['title', 'format', 'pattern', 'contentMediaType', 'contentEncoding']);

/** What the doc comment of a type or member says: its words as description, and keywords by tags. */
export function keywordsIn(symbol: ts.Symbol | undefined, checker: ts.TypeChecker): Record<string, unknown> {
  if (!symbol) return {};
  const words = ts.displayPartsToString(symbol.getDocumentationComment(checker)).trim();
  const found: Record<string, unknown> = words === '' ? {} : { description: words.replace(/\s+/g, ' ') };
  for (const { name, text } of symbol.getJsDocTags(checker)) {
    const value = ts.displayPartsToString(text).trim();
    if (name === 'deprecated') found['deprecated'] = true;
    if (keywords.has(name) && value !== '') found[name] = texts.has(name) ? value : parsed(value);
  }
  return found;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return text;
  }
}
