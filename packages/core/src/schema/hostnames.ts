/** Host names: RFC 1123, and their international form (RFC 5890 to 5893, the rules that can be checked without tables). */

export function isHostname(text: string): boolean {
  if (text.length > 253) return false;
  return text
    .split('.')
    .every((label) => /^[A-Za-z0-9](?:[A-Za-z0-9-]{0,61}[A-Za-z0-9])?$/.test(label) && isALabel(label));
}

/** A label `xn--…` has to stand for a valid international one. */
function isALabel(label: string): boolean {
  if (!/^xn--/i.test(label)) return true;
  const decoded = fromPunycode(label.slice(4));
  return decoded !== undefined && /[^\0-\x7F]/.test(decoded) && isULabel(decoded);
}

export function isInternationalHostname(text: string): boolean {
  const labels = text.split(/[.\u3002\uFF0E\uFF61]/u);
  if (text.length > 253) return false;
  return labels.every((label) => (/^[\0-\x7F]*$/.test(label) ? isHostname(label) : isULabel(label)));
}

function isULabel(label: string): boolean {
  const normal = label.normalize('NFC');
  if (normal !== label || label.startsWith('-') || label.endsWith('-') || label.slice(2, 4) === '--') return false;
  if (/^\p{M}/u.test(label) || toPunycodeLength(label) > 59) return false;
  const chars = [...label];
  return chars.every((char, i) => isAllowed(char, i, chars));
}

/** RFC 5892: letters, digits, marks; the exceptions of section 2.6; the contextual rules of appendix A. */
function isAllowed(char: string, i: number, chars: readonly string[]): boolean {
  const before = chars[i - 1] ?? '';
  const after = chars[i + 1] ?? '';
  switch (char) {
    case '\u00B7':
      return before === 'l' && after === 'l';
    case '\u0375':
      return /\p{Script=Greek}/u.test(after);
    case '\u05F3':
    case '\u05F4':
      return /\p{Script=Hebrew}/u.test(before);
    case '\u30FB':
      return chars.some(
        (other) => other !== char && /[\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Han}]/u.test(other),
      );
    case '\u200D':
      return virama.test(before);
    case '\u200C':
      return virama.test(before) || (/\p{L}/u.test(before) && /\p{L}/u.test(after));
    case '\u302E':
    case '\u302F':
    case '\u0640':
    case '\u07FA':
    case '\u3031':
    case '\u3032':
    case '\u3033':
    case '\u3034':
    case '\u3035':
    case '\u303B':
      return false;
    case '\u06FD':
    case '\u06FE':
    case '\u0F0B':
    case '\u3007':
      return true;
  }
  if (/[\u0660-\u0669]/u.test(char) && chars.some((other) => /[\u06F0-\u06F9]/u.test(other))) return false;
  return /^[-\p{Ll}\p{Lo}\p{Lm}\p{Mn}\p{Mc}\p{Nd}]$/u.test(char);
}
const virama =
  /[\u094D\u09CD\u0A4D\u0ACD\u0B4D\u0BCD\u0C4D\u0CCD\u0D4D\u0DCA\u0E3A\u0F84\u1039\u103A\u1714\u1734\u17D2\u1A60\u1B44\u1BAA\uA806\uA8C4\uA953]/u;

/** RFC 3492, section 6.2. `undefined` where the text is no Punycode. */
function fromPunycode(text: string): string | undefined {
  const split = text.lastIndexOf('-');
  const output = split > 0 ? [...text.slice(0, split)].map((char) => char.codePointAt(0) ?? 0) : [];
  let [n, i, bias] = [128, 0, 72];
  let at = split > 0 ? split + 1 : 0;
  while (at < text.length) {
    const start = i;
    for (let weight = 1, k = 36; ; k += 36) {
      const digit = '0123456789'.includes(text[at] ?? '')
        ? Number(text[at]) + 26
        : (text[at] ?? '').toLowerCase().charCodeAt(0) - 97;
      at++;
      if (!(digit >= 0 && digit < 36)) return undefined;
      i += digit * weight;
      const threshold = k <= bias ? 1 : k >= bias + 26 ? 26 : k - bias;
      if (digit < threshold) break;
      weight *= 36 - threshold;
    }
    bias = adapt(i - start, output.length + 1, start === 0);
    n += Math.floor(i / (output.length + 1));
    if (n > 0x10ffff) return undefined;
    i %= output.length + 1;
    output.splice(i++, 0, n);
  }
  return String.fromCodePoint(...output);
}

function adapt(delta: number, points: number, first: boolean): number {
  let rest = first ? Math.floor(delta / 700) : delta >> 1;
  rest += Math.floor(rest / points);
  let k = 0;
  for (; rest > 455; k += 36) rest = Math.floor(rest / 35);
  return k + Math.floor((36 * rest) / (rest + 38));
}

/** How long a label becomes in ASCII: RFC 3492, section 6.3, counting only. */
function toPunycodeLength(label: string): number {
  const points = [...label].map((char) => char.codePointAt(0) ?? 0);
  const basic = points.filter((point) => point < 128).length;
  let [n, delta, bias, done, length] = [128, 0, 72, basic, basic + (basic > 0 ? 1 : 0)];
  while (done < points.length) {
    const next = Math.min(...points.filter((point) => point >= n));
    delta += (next - n) * (done + 1);
    n = next;
    for (const point of points) {
      if (point < n) delta++;
      if (point !== n) continue;
      let q = delta;
      for (let k = 36; ; k += 36) {
        length++;
        const threshold = k <= bias ? 1 : k >= bias + 26 ? 26 : k - bias;
        if (q < threshold) break;
        q = Math.floor((q - threshold) / (36 - threshold));
      }
      bias = adapt(delta, done + 1, done === basic);
      delta = 0;
      done++;
    }
    delta++;
    n++;
  }
  return length;
}
