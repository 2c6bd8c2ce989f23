/** IP addresses as texts. */
export function isIpv4(text: string): boolean {
  const parts = text.split('.');
  return parts.length === 4 && parts.every((part) => /^(0|[1-9]\d{0,2})$/.test(part) && Number(part) < 256);
}

/** RFC 4291, section 2.2. */
export function isIpv6(text: string): boolean {
  let rest = text;
  const lastColon = rest.lastIndexOf(':');
  if (rest.includes('.')) {
    if (!isIpv4(rest.slice(lastColon + 1))) return false;
    rest = `${rest.slice(0, lastColon + 1)}0:0`;
  }
  const halves = rest.split('::');
  if (halves.length > 2) return false;
  const groups = halves.flatMap((half) => (half === '' ? [] : half.split(':')));
  if (!groups.every((group) => /^[0-9a-fA-F]{1,4}$/.test(group))) return false;
  return halves.length === 2 ? groups.length < 8 : groups.length === 8;
}
