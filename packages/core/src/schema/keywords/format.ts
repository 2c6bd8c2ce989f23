/** `format`, with the formats that it is to know. */
import type { Formats } from '../formats/format.js';
import type { Messages } from '../messages.js';
import { assertion, bits, type Family, type Keyword } from './context.js';

const format: Keyword = (context) => {
  const name = context.value;
  if (typeof name !== 'string') {
    context.complain('has to be a text');
    return undefined;
  }
  const check = Object.hasOwn(context.formats, name) ? context.formats[name] : undefined;
  if (!check || !(context.assertFormats || context.dialect.formatAsserted)) return undefined;
  return assertion(context, bits.string, check, () => ({ format: name }));
};

const formatNames: Readonly<Record<string, string>> = {
  'date-time': 'a date and time with zone, like 2026-11-23T08:15:00+01:00',
  date: 'a date, like 2026-11-23',
  time: 'a time with zone, like 08:15:00+01:00',
  duration: 'a duration, like P3DT12H',
  email: 'an e-mail address',
  'idn-email': 'an e-mail address',
  hostname: 'a host name',
  'idn-hostname': 'a host name',
  ipv4: 'an IPv4 address, like 192.0.2.1',
  ipv6: 'an IPv6 address, like 2001:db8::1',
  uri: 'a full web address, with https://',
  'uri-reference': 'a web address',
  iri: 'a full web address, with https://',
  'iri-reference': 'a web address',
  uuid: 'a UUID, like 2eb8aa08-aa98-11ea-b4aa-73b441d16380',
  'uri-template': 'a URI template, like /crossings{?from,to}',
  'json-pointer': 'a JSON Pointer, like /consignor/name',
  'relative-json-pointer': 'a relative JSON Pointer, like 1/name',
  regex: 'a regular expression',
};

const english: Messages = {
  format: ({ format }) => `Has to be ${formatNames[String(format)] ?? `of the format “${String(format)}”`}.`,
};

/** A format that is not among them is not checked. */
export function formatFamily(formats: Formats): Family {
  return { keywords: { format }, english, formats };
}
