/** What a person would enter where, for the tests of every format with every input. */
import { standardFormats } from '../src/index.js';

/** What a person would enter, by format; any other text elsewhere. */
export const texts: Readonly<Record<string, string>> = {
  date: '2026-11-23',
  time: '10:15',
  'date-time': '2026-11-23T10:15',
  email: 'desk@skerry.example',
  'idn-email': 'desk@skerry.example',
  uri: 'https://skerry.example/a',
  iri: 'https://skerry.example/a',
  'uri-reference': '/a',
  'iri-reference': '/a',
  'uri-template': '/a{?b}',
  hostname: 'skerry.example',
  'idn-hostname': 'skerry.example',
  ipv4: '10.0.0.1',
  ipv6: '::1',
  uuid: '123e4567-e89b-12d3-a456-426614174000',
  duration: 'P3D',
  regex: '^a$',
  'json-pointer': '/a',
  'relative-json-pointer': '1/a',
};

/** Every kind of place that one input can fill in: a name, and its schema. */
export const places: [string, Record<string, unknown>][] = [
  ...[undefined, ...Object.keys(standardFormats).filter((format) => format in texts)].map(
    (format): [string, Record<string, unknown>] => [
      format === undefined ? 'a text' : `a text of the format ${format}`,
      { type: 'string', ...(format === undefined ? {} : { format }) },
    ],
  ),
  ['a whole number', { type: 'integer' }],
  ['a number', { type: 'number' }],
  ['a mark', { type: 'boolean' }],
  ['one of several', { enum: ['ALD', 'BRE', 'TOR'] }],
  ['any of several', { type: 'array', uniqueItems: true, items: { enum: ['ALD', 'BRE', 'TOR'] } }],
];
