/** Formats as types of their own: a text is of one once it was checked (JSON Schema validation 2020-12, section 7.3). */
import type { HandoverFile } from './file.js';
import { comment, literal, memberOf } from './source.js';

/** What each format is called as a type, and what its texts are like. */
const formats: Readonly<Record<string, readonly [type: string, says: string]>> = {
  date: ['DateText', 'A date such as 2026-05-14 (RFC 3339, full-date).'],
  time: ['TimeText', 'A time of day with its offset, such as 14:30:00Z (RFC 3339, full-time).'],
  'date-time': ['DateTimeText', 'A moment such as 2026-05-14T14:30:00Z (RFC 3339, date-time).'],
  duration: ['DurationText', 'A duration such as P3DT4H (RFC 3339, appendix A).'],
  email: ['EmailText', 'An address for mail (RFC 5321, Mailbox).'],
  'idn-email': ['InternationalEmailText', 'An address for mail in any script (RFC 6531).'],
  hostname: ['HostnameText', 'The name of a host (RFC 1123).'],
  'idn-hostname': ['InternationalHostnameText', 'The name of a host in any script (RFC 5890).'],
  ipv4: ['Ipv4Text', 'An address of four numbers (RFC 2673, section 3.2).'],
  ipv6: ['Ipv6Text', 'An address of the internet, version 6 (RFC 4291, section 2.2).'],
  uri: ['UriText', 'A URI with its scheme (RFC 3986).'],
  'uri-reference': ['UriReferenceText', 'A URI, or a reference to one (RFC 3986, section 4.1).'],
  iri: ['IriText', 'An IRI with its scheme (RFC 3987).'],
  'iri-reference': ['IriReferenceText', 'An IRI, or a reference to one (RFC 3987).'],
  uuid: ['UuidText', 'A UUID such as 2eb8aa08-aa98-11ea-b4aa-73b441d16380 (RFC 4122).'],
  'uri-template': ['UriTemplateText', 'A template of URIs (RFC 6570).'],
  'json-pointer': ['JsonPointerText', 'A JSON Pointer (RFC 6901).'],
  'relative-json-pointer': ['RelativeJsonPointerText', 'A relative JSON Pointer.'],
  regex: ['RegexText', 'A regular expression (ECMA-262).'],
};

/** What no type of a form may be called where these are used. */
export const typesOfFormats: readonly string[] = Object.values(formats).map(([type]) => type);

/** The type for a format; `undefined` for one that JSON Schema does not know. */
export const formatType = (format: unknown): string | undefined =>
  typeof format === 'string' && Object.hasOwn(formats, format) ? formats[format]?.[0] : undefined;

/** The types of these formats, and the way to them. */
export function formatsFile(used: ReadonlySet<string>): HandoverFile[] {
  const named = Object.entries(formats).filter(([, [type]]) => used.has(type));
  if (named.length === 0) return [];
  return [
    {
      path: 'formats.ts',
      text: `import { standardFormats } from '@poietra/core/written';

declare const format: unique symbol;
/** A text of which it is known that it is in a format. It is a text like any other wherever one is wanted. */
export type TextIn<Format extends string> = string & { readonly [format]: Format };

${named.map(([name, [type, says]]) => `${comment(says)}export type ${type} = TextIn<${literal(name)}>;\n`).join('')}
/** The types by the names that JSON Schema has for the formats. */
export interface Formats {
${named.map(([name, [type]]) => `  readonly ${memberOf(name)}: ${type};\n`).join('')}}

/** Whether a text is in a format: it then has the format’s type. */
export function isIn<Name extends keyof Formats>(name: Name, text: string): text is Formats[Name] & string {
  return standardFormats[name]?.(text) ?? false;
}
`,
    },
  ];
}
