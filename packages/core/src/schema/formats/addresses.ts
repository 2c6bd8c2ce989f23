/** Formats of addresses on the web. */
import type { Format, Formats } from './format.js';
import { isIpv6 } from './ip.js';

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

/** RFC 6570, levels 1 to 4. */
function isUriTemplate(text: string): boolean {
  const variable = '(?:[A-Za-z0-9_]|%[0-9A-Fa-f]{2})(?:[A-Za-z0-9_.]|%[0-9A-Fa-f]{2})*(?::[1-9]\\d{0,3}|\\*)?';
  const expression = `\\{[+#./;?&=,!@|]?${variable}(?:,${variable})*\\}`;
  return new RegExp(`^(?:[^\\u0000-\\u0020"'<>%\\\\^\`{|}]|%[0-9A-Fa-f]{2}|${expression})*$`, 'u').test(text);
}

export const addresses: Formats = {
  uri: /* @__PURE__ */ uri(true, false),
  'uri-reference': /* @__PURE__ */ uri(false, false),
  iri: /* @__PURE__ */ uri(true, true),
  'iri-reference': /* @__PURE__ */ uri(false, true),
  'uri-template': isUriTemplate,
};
