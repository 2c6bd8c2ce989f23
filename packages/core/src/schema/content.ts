/** What `contentEncoding` and `contentMediaType` say of a text (JSON Schema Validation, section 8). */

/** The first thing that does not fit, or `undefined`. Encodings and media types that are not known fit. */
export function checkContent(
  text: string,
  encoding: unknown,
  mediaType: unknown,
): 'contentEncoding' | 'contentMediaType' | undefined {
  let body = text;
  if (encoding === 'base64') {
    if (text.length % 4 !== 0 || !/^[A-Za-z0-9+/]*={0,2}$/.test(text)) return 'contentEncoding';
    body = fromBase64(text);
  } else if (encoding !== undefined) return undefined;
  if (mediaType === 'application/json') {
    try {
      JSON.parse(body);
    } catch {
      return 'contentMediaType';
    }
  }
  return undefined;
}

const alphabet = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';

/** RFC 4648, section 4; each byte becomes one character, which is all that a check for JSON needs. */
function fromBase64(text: string): string {
  let bytes = '';
  let buffer = 0;
  let held = 0;
  for (const char of text.replace(/=+$/, '')) {
    buffer = (buffer << 6) | alphabet.indexOf(char);
    held += 6;
    if (held >= 8) {
      held -= 8;
      bytes += String.fromCharCode((buffer >> held) & 255);
    }
  }
  return bytes;
}
