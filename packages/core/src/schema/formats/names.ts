/** Formats of what programs call things by: identifiers, pointers, regular expressions. */
import { parsePointer } from '../../json/index.js';
import type { Formats } from './format.js';

function isPointer(text: string): boolean {
  try {
    parsePointer(text);
    return true;
  } catch {
    return false;
  }
}

function isRegex(text: string): boolean {
  try {
    new RegExp(text, 'u');
    return true;
  } catch {
    return false;
  }
}

export const names: Formats = {
  uuid: (text) => /^[0-9a-f]{8}-(?:[0-9a-f]{4}-){3}[0-9a-f]{12}$/i.test(text),
  'json-pointer': isPointer,
  'relative-json-pointer': (text) => {
    const match = /^(?:0|[1-9]\d*)(?:[+-](?:0|[1-9]\d*))?(.*)$/s.exec(text);
    return match !== null && (match[1] === '#' || isPointer(match[1] ?? ''));
  },
  regex: isRegex,
};
