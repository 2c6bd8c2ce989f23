import { parsePointer } from '../json/index.js';
import { isHostname, isInternationalHostname } from './hostnames.js';

/** Says whether a text has the format. Formats look at texts only. */
export type Format = (text: string) => boolean;

const days = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

function isDate(text: string): boolean {
  const match = /^(\d{4})-(\d\d)-(\d\d)$/.exec(text);
  if (!match) return false;
  const [year, month, day] = [Number(match[1]), Number(match[2]), Number(match[3])];
  const leap = month === 2 && year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);
  return day >= 1 && day <= (days[month - 1] ?? 0) + (leap ? 1 : 0);
}

/** RFC 3339 `full-time`. A leap second is one only at 23:59:60 UTC. */
function isTime(text: string): boolean {
  const match = /^(\d\d):(\d\d):(\d\d)(?:\.\d+)?(?:[zZ]|([+-])(\d\d):(\d\d))$/.exec(text);
  if (!match) return false;
  const [hour, minute, second] = [Number(match[1]), Number(match[2]), Number(match[3])];
  const [offsetHour, offsetMinute] = [Number(match[5] ?? 0), Number(match[6] ?? 0)];
  if (hour > 23 || minute > 59 || second > 60 || offsetHour > 23 || offsetMinute > 59) return false;
  if (second < 60) return true;
  const utc = hour * 60 + minute - (match[4] === '-' ? -1 : 1) * (offsetHour * 60 + offsetMinute);
  return (utc + 2880) % 1440 === 1439;
}

function isDateTime(text: string): boolean {
  return /^.{10}[tT]/.test(text) && isDate(text.slice(0, 10)) && isTime(text.slice(11));
}

function isIpv4(text: string): boolean {
  const parts = text.split('.');
  return parts.length === 4 && parts.every((part) => /^(0|[1-9]\d{0,2})$/.test(part) && Number(part) < 256);
}

/** RFC 4291, section 2.2. */
function isIpv6(text: string): boolean {
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

const atom = /^[A-Za-z0-9!#$%&'*+/=?^_`{|}~-]+$/;
const wideAtom = /^[A-Za-z0-9!#$%&'*+/=?^_`{|}~\u0080-\u{10FFFF}-]+$/u;
function email(atomText: RegExp, isHost: Format): Format {
  return (text) => {
    const split = text.lastIndexOf('@');
    if (split < 1) return false;
    const local = text.slice(0, split);
    const host = text.slice(split + 1);
    const localFits = /^"(?:[^"\\\r\n]|\\.)*"$/.test(local) || local.split('.').every((part) => atomText.test(part));
    if (!localFits) return false;
    const literal = /^\[(?:IPv6:(.+)|(.+))\]$/.exec(host);
    return literal ? (literal[1] !== undefined ? isIpv6(literal[1]) : isIpv4(literal[2] ?? '')) : isHost(host);
  };
}

const wide = '\\u00A0-\\uD7FF\\uF900-\\uFDCF\\uFDF0-\\uFFEF\\u{10000}-\\u{EFFFD}';
/** RFC 3986 (or RFC 3987 with the wider alphabet), checked part by part. */
function uri(absolute: boolean, international: boolean): Format {
  const extra = international ? wide : '';
  const privateUse = international ? '\\uE000-\\uF8FF\\u{F0000}-\\u{10FFFD}' : '';
  const char = (more: string): RegExp =>
    new RegExp(`^(?:[A-Za-z0-9._~!$&'()*+,;=${more}${extra}-]|%[0-9A-Fa-f]{2})*$`, 'u');
  const [path, query, user] = [char(':@/'), char(`:@/?${privateUse}`), char(':')];
  return (text) => {
    const [, scheme, authority, pathText = '', queryText = '', fragment = ''] =
      /^(?:([^:/?#]+):)?(?:\/\/([^/?#]*))?([^?#]*)(?:\?([^#]*))?(?:#(.*))?$/su.exec(text) ?? [];
    if (scheme === undefined ? absolute : !/^[A-Za-z][A-Za-z0-9+.-]*$/.test(scheme)) return false;
    if (scheme === undefined && authority === undefined && /^[^/]*:/.test(pathText)) return false;
    if (!path.test(pathText) || !query.test(queryText) || !query.test(fragment)) return false;
    if (authority === undefined) return true;
    const at = authority.lastIndexOf('@');
    const [, literal, host = '', port = ''] = /^(?:\[([^\]]*)\]|([^:]*))(?::(.*))?$/su.exec(
      authority.slice(at + 1),
    ) ?? [, , ':'];
    if (at >= 0 && !user.test(authority.slice(0, at))) return false;
    if (!/^\d*$/.test(port)) return false;
    return literal === undefined
      ? char('').test(host)
      : isIpv6(literal) || /^v[0-9a-f]+\.[\w.~!$&'()*+,;=:-]+$/i.test(literal);
  };
}

/** RFC 3339, appendix A. */
function isDuration(text: string): boolean {
  if (/^P\d+W$/.test(text)) return true;
  const match = /^P(\d+Y(?:\d+M(?:\d+D)?)?|\d+M(?:\d+D)?|\d+D)?(T(?:\d+H(?:\d+M(?:\d+S)?)?|\d+M(?:\d+S)?|\d+S))?$/.exec(
    text,
  );
  return match !== null && (match[1] !== undefined || match[2] !== undefined);
}

function isPointer(text: string): boolean {
  try {
    parsePointer(text);
    return true;
  } catch {
    return false;
  }
}

/** RFC 6570, levels 1 to 4. */
function isUriTemplate(text: string): boolean {
  const variable = '(?:[A-Za-z0-9_]|%[0-9A-Fa-f]{2})(?:[A-Za-z0-9_.]|%[0-9A-Fa-f]{2})*(?::[1-9]\\d{0,3}|\\*)?';
  const expression = `\\{[+#./;?&=,!@|]?${variable}(?:,${variable})*\\}`;
  return new RegExp(`^(?:[^\\u0000-\\u0020"'<>%\\\\^\`{|}]|%[0-9A-Fa-f]{2}|${expression})*$`, 'u').test(text);
}

function isRegex(text: string): boolean {
  try {
    new RegExp(text, 'u');
    return true;
  } catch {
    return false;
  }
}

/** The formats of JSON Schema 2020-12, section 7.3, by name; and those of earlier drafts that have another name. */
export const standardFormats: Readonly<Record<string, Format>> = {
  'date-time': isDateTime,
  date: isDate,
  time: isTime,
  duration: isDuration,
  email: email(atom, isHostname),
  'idn-email': email(wideAtom, isInternationalHostname),
  hostname: isHostname,
  'idn-hostname': isInternationalHostname,
  ipv4: isIpv4,
  ipv6: isIpv6,
  uri: uri(true, false),
  'uri-reference': uri(false, false),
  iri: uri(true, true),
  'iri-reference': uri(false, true),
  uuid: (text) => /^[0-9a-f]{8}-(?:[0-9a-f]{4}-){3}[0-9a-f]{12}$/i.test(text),
  'uri-template': isUriTemplate,
  'json-pointer': isPointer,
  'relative-json-pointer': (text) => {
    const match = /^(?:0|[1-9]\d*)(?:[+-](?:0|[1-9]\d*))?(.*)$/s.exec(text);
    return match !== null && (match[1] === '#' || isPointer(match[1] ?? ''));
  },
  regex: isRegex,
};
