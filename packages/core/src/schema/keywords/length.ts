/** Characters as JSON Schema counts them: code points. */
export function lengthOf(text: string): number {
  let length = text.length;
  for (let i = 0; i + 1 < text.length; i++) {
    const unit = text.charCodeAt(i);
    if (unit >= 0xd800 && unit < 0xdc00) {
      const next = text.charCodeAt(i + 1);
      if (next >= 0xdc00 && next < 0xe000) {
        length--;
        i++;
      }
    }
  }
  return length;
}
