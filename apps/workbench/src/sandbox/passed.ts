/**
 * What passes from a frame to the workbench: texts. A structure would be built in the page before anybody could look at
 * it; of a text the length is known at once, and the depth by going over it.
 */
import { fromNotation, toNotation } from '@poietra/core';

/** In characters: several times the largest record that a form is meant for. */
const mostText = 40_000_000;
/** Deeper than any schema is followed; what walks the value afterwards walks it by recursion. */
const mostDepth = 1000;

/** The text of a message that holds more than JSON has words for: in the notation of cases. */
export const passedNoted = (message: unknown): string => JSON.stringify(toNotation(message));

export type Passed = { readonly message: unknown } | { readonly refused: string };

/**
 * Reads a message, unless it is none: another script's, too long, too deep, or no JSON. It begins with the secret that the
 * frame was given (`stand/src/say.ts`).
 */
export function readPassed(message: unknown, secret = ''): Passed {
  if (typeof message !== 'string') return { refused: 'no text' };
  if (message.length > mostText) return { refused: 'too long' };
  if (!message.startsWith(secret)) return { refused: 'another script’s' };
  const data = message.slice(secret.length);
  if (isDeep(data)) return { refused: 'too deep' };
  try {
    return { message: JSON.parse(data) as unknown };
  } catch {
    return { refused: 'no JSON' };
  }
}
export function readNoted(data: unknown): Passed {
  const read = readPassed(data);
  return 'message' in read ? { message: fromNotation(read.message) } : read;
}

function isDeep(text: string): boolean {
  let depth = 0;
  for (let at = 0; at < text.length; at++) {
    switch (text.charCodeAt(at)) {
      case 0x22: // A text in it: on to its end, past what is escaped.
        for (at++; at < text.length && text.charCodeAt(at) !== 0x22; at++) if (text.charCodeAt(at) === 0x5c) at++;
        break;
      case 0x5b:
      case 0x7b:
        if (++depth > mostDepth) return true;
        break;
      case 0x5d:
      case 0x7d:
        depth--;
    }
  }
  return false;
}

/** Within a second. Other scripts in a frame may speak to the page around them, too; none of them by the dozen. */
const mostRefused = 30;
const mostMessages = 1000;
const mostCharacters = 100_000_000;

/** Counts what a frame says; a reason once it is too much. Counting comes before reading, which costs the page more. */
export function meter(): {
  heard(): string | undefined;
  refused(): string | undefined;
  read(length: number): string | undefined;
} {
  let since = 0;
  let counts = { messages: 0, refused: 0, characters: 0 };
  return {
    heard() {
      const now = performance.now();
      if (now - since > 1000) [since, counts] = [now, { messages: 0, refused: 0, characters: 0 }];
      return ++counts.messages > mostMessages
        ? `It sent more than ${mostMessages} messages within a second`
        : undefined;
    },
    refused: () =>
      ++counts.refused > mostRefused
        ? 'It went on sending what no stand sends, or what is too long or too deep'
        : undefined,
    read: (length) =>
      (counts.characters += length) > mostCharacters ? 'It sent more than 100 MB within a second' : undefined,
  };
}
