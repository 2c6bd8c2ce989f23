/** Norwegian (bokmål). */
import { nearestName } from '../json/index.js';
import { shortly } from '../schema/index.js';
import { language, refusalText } from './language.js';
import type { RefusalWords, Words } from './words.js';

const { number, plural, size, list, inWords } = language('nb');
const q = (value: unknown): string => shortly(value, ['«', '»'], 'ingenting');
const kinds: Readonly<Record<string, string>> = {
  null: 'ingenting (null)',
  boolean: 'ja eller nei',
  integer: 'et helt tall',
  number: 'et tall',
  string: 'en tekst',
  array: 'en liste',
  object: 'en gruppe opplysninger',
};
const kindsIn = (given: unknown): string =>
  list((Array.isArray(given) ? given : [given]).map((kind) => kinds[String(kind)] ?? String(kind)));
const formats: Readonly<Record<string, string>> = {
  'date-time': 'dato og klokkeslett med tidssone, som 2026-11-23T08:15:00+01:00',
  date: 'en dato, som 2026-11-23',
  time: 'et klokkeslett med tidssone, som 08:15:00+01:00',
  duration: 'en varighet, som P3DT12H',
  email: 'en e-postadresse',
  'idn-email': 'en e-postadresse',
  hostname: 'et vertsnavn',
  'idn-hostname': 'et vertsnavn',
  ipv4: 'en IPv4-adresse, som 192.0.2.1',
  ipv6: 'en IPv6-adresse, som 2001:db8::1',
  uri: 'en fullstendig nettadresse, med https://',
  'uri-reference': 'en nettadresse',
  iri: 'en fullstendig nettadresse, med https://',
  'iri-reference': 'en nettadresse',
  uuid: 'en UUID, som 2eb8aa08-aa98-11ea-b4aa-73b441d16380',
  'uri-template': 'en URI-mal, som /crossings{?from,to}',
  'json-pointer': 'en JSON Pointer, som /consignor/name',
  'relative-json-pointer': 'en relativ JSON Pointer, som 1/name',
  regex: 'et regulært uttrykk',
};
const characters = { one: 'tegn', other: 'tegn' };
const entries = { one: 'oppføring', other: 'oppføringer' };
const members = { one: 'opplysning', other: 'opplysninger' };

function noneOf(allowed: readonly unknown[], seen: unknown): string {
  const shown =
    allowed.length > 8 ? [...allowed.slice(0, 5).map(q), `… (${number(allowed.length)} i alt)`] : allowed.map(q);
  if (typeof seen !== 'string' || seen === '')
    return `Må være ${allowed.length > 8 ? `en av ${number(allowed.length)} verdier` : list(allowed.map(q))}.`;
  if (allowed.length === 1) return `Må være ${q(allowed[0])}, men er ${q(seen)}.`;
  const meant = nearestName(
    seen,
    allowed.filter((one) => typeof one === 'string'),
  );
  return `${q(seen)} er ingen av disse: ${shown.join(', ')}.${meant === undefined ? '' : ` Mente du «${meant}»?`}`;
}

function patternWords(source: string): string {
  const counted = /^\^(\[A-Z\]|\[a-z\]|\[0-9\]|\\d)\{(\d+)\}\$$/.exec(source);
  if (counted) {
    const [, set = '', count = ''] = counted;
    const what = set === '[A-Z]' ? 'store bokstaver A til Z' : set === '[a-z]' ? 'små bokstaver a til z' : 'sifre';
    return `Trenger ${count} ${what}.`;
  }
  if (/^\^(?:\[0-9\]|\\d)[+*]\$$/.test(source)) return 'Kan bare ha sifre.';
  if (/^\\S$|^\^.*\\S.*\$$/.test(source)) return 'Kan ikke bare være mellomrom.';
  return `Har ikke formen som ventes (mønster ${source}).`;
}

const wanted = {
  text: 'en tekst',
  texts: 'en liste med tekster',
  parts: 'flere deler',
  list: 'en liste',
  choices: 'en liste med valg',
  key: 'en nøkkel',
  keys: 'en liste med nøkler',
  file: 'en fil',
  base64: 'en fil i base64',
  boolean: 'ja eller nei',
  number: 'et tall',
  amount: 'et beløp',
  minor: 'et helt tall i den minste enheten',
  date: 'en dato som 2026-11-23',
  time: 'et klokkeslett som 09:15',
  instant: 'dato og klokkeslett',
  epoch: 'millisekunder siden 1970',
};
const seenAs = (value: unknown): string =>
  typeof value === 'string'
    ? `«${value}»`
    : value === null
      ? 'ingenting (null)'
      : Array.isArray(value)
        ? 'en liste'
        : kindOfSeen(value);
const kindOfSeen = (value: unknown): string => kinds[typeof value] ?? 'noe annet';

const refusals: RefusalWords = {
  kind: ({ wanted: what, seen, from }) =>
    `Det skulle være ${wanted[what]}, men ${from === 'record' ? 'lagret er' : 'det kom'} ${seenAs(seen)}.`,
  notJson: ({ seen }) => `${seenAs(seen)} kan ikke sendes som JSON.`,
  noNumber: ({ typed, stray }) =>
    `«${typed}» er ikke et tall${stray === undefined ? '' : `: «${stray}» hører ikke hjemme i et`}.`,
  halfNumber: ({ typed }) => `«${typed}» er ikke et fullstendig tall ennå.`,
  largeNumber: ({ typed }) => `«${typed}» er for stort.`,
  longNumber: ({ typed }) => `«${typed}» har flere sifre enn det kan tas nøyaktig vare på.`,
  decimals: ({ typed }) => `«${typed}» har desimaler; her er bare hele tall mulig.`,
  noAmount: ({ typed }) => `«${typed}» er ikke et beløp.`,
  fineAmount: ({ typed, digits }) =>
    `«${typed}» har mer enn ${plural(digits, { one: 'desimal', other: 'desimaler' })}.`,
  largeAmount: ({ typed }) => `«${typed}» er for stort til å tas nøyaktig vare på.`,
  unit: ({ typed, known }) => `«${typed}» har en enhet som ikke er kjent her; kjente er ${known.join(', ')}.`,
  onlyUnit: ({ typed }) => `«${typed}» har ikke noe tall ennå.`,
  noDate: ({ typed }) => `«${typed}» er ikke en dato; skriv den som 2026-11-23.`,
  noDay: ({ typed }) => `«${typed}» finnes ikke i kalenderen.`,
  noTime: ({ typed }) => `«${typed}» er ikke et klokkeslett; skriv det som 09:15.`,
  noInstant: ({ typed }) => `«${typed}» er ikke dato og klokkeslett; skriv det som 2026-11-23 09:15.`,
  skipped: ({ typed, zone }) =>
    `«${typed}» finnes ikke${zone === undefined ? '' : ` i ${zone}`}: klokken stilles fram forbi det.`,
  brokenDate: () => 'Dette er ikke en gyldig dato.',
  part: ({ part }) => `${part} mangler ennå.`,
  separator: ({ part, separator }) => `${part} har «${separator}» i seg, som står mellom delene.`,
  unchosen: ({ typed }) => `«${typed}» er ikke blant valgene: velg ett av dem.`,
  noKey: ({ key }) => `Valget har ingen «${key}».`,
  fileSize: ({ size: bytes, most }) => `Filen er på ${size(bytes)}; høyst ${size(most)} tas imot.`,
  fileKind: ({ type, wanted: what }) => `Filen er av typen ${type}; ${what} ventes.`,
  yesNo: ({ seen }) => `${seenAs(seen)} betyr verken ja eller nei.`,
  notListed: ({ typed, known }) => `«${typed}» står ikke i tabellen: ${known.join(', ')}.`,
  item: ({ number: at, inner }) => `Oppføring ${number(at)}: ${refusalText(refusals, inner)}`,
  step: ({ number: at, inner }) => `Trinn ${number(at)}: ${refusalText(refusals, inner)}`,
  nothingLeft: ({ typed }) =>
    `Ingenting er igjen av «${typed}»: bare bokstavene a til z, sifre og bindestreker teller.`,
  noJson: ({ says }) => `Dette er ikke JSON: ${says}.`,
};

export const nb: Words = {
  lang: 'nb',
  dir: 'ltr',
  messages: {
    type: ({ expected, seen }) =>
      `Må være ${kindsIn(expected)}, men er ${seen === undefined || seen === 'missing' ? 'ikke der' : kindsIn(seen)}.`,
    enum: ({ allowed, seen }) => noneOf(Array.isArray(allowed) ? allowed : [allowed], seen),
    const: ({ allowed, seen }) => noneOf([allowed], seen),
    multipleOf: ({ limit }) => (limit === 1 ? 'Må være et helt tall.' : `Må kunne deles på ${number(limit)}.`),
    maximum: ({ limit }) => `Kan være høyst ${number(limit)}.`,
    minimum: ({ limit }) => `Må være minst ${number(limit)}.`,
    exclusiveMaximum: ({ limit }) => `Må være mindre enn ${number(limit)}.`,
    exclusiveMinimum: ({ limit }) => `Må være større enn ${number(limit)}.`,
    maxLength: ({ limit, seen }) => `Kan ha høyst ${plural(limit, characters)}, men har ${number(seen)}.`,
    minLength: ({ limit, seen }) =>
      seen === 0 ? 'Kan ikke være tom.' : `Må ha minst ${plural(limit, characters)}, men har ${number(seen)}.`,
    pattern: ({ pattern }) => patternWords(String(pattern)),
    format: ({ format }) => `Må være ${formats[String(format)] ?? `av formatet «${String(format)}»`}.`,
    contentEncoding: ({ contentEncoding }) => `Er ikke tekst i ${String(contentEncoding)}.`,
    contentMediaType: ({ contentMediaType }) => `Er ikke av typen ${String(contentMediaType)}.`,
    required: 'Må fylles ut.',
    false: 'Er ikke tillatt her.',
    maxProperties: ({ limit, seen }) => `Kan ha høyst ${plural(limit, members)}, men har ${number(seen)}.`,
    minProperties: ({ limit, seen }) => `Må ha minst ${plural(limit, members)}, men har ${number(seen)}.`,
    propertyNames: ({ name }) => `Navnet ${q(name)} er ikke tillatt her.`,
    dependentRequired: 'Må fylles ut.',
    maxItems: ({ limit, seen }) => `Kan ha høyst ${plural(limit, entries)}, men har ${number(seen)}.`,
    minItems: ({ limit, seen }) => `Må ha minst ${plural(limit, entries)}, men har ${number(seen)}.`,
    uniqueItems: ({ items }) =>
      Array.isArray(items)
        ? `Oppføring ${number(Number(items[0]) + 1)} og ${number(Number(items[1]) + 1)} er like.`
        : 'Har samme oppføring to ganger.',
    contains: 'Har ingen oppføring av det slaget som trengs.',
    minContains: ({ limit, seen }) =>
      `Må ha minst ${plural(limit, entries)} av det slaget som trengs, men har ${number(seen)}.`,
    maxContains: ({ limit }) => `Kan ha høyst ${plural(limit, entries)} av dette slaget, men har flere.`,
    anyOf: ({ expected }) =>
      expected ? `Må være ${kindsIn(expected)}.` : 'Passer ikke til noen av formene som er tillatt.',
    oneOf: ({ fitting, expected }) =>
      Array.isArray(fitting)
        ? `Passer til ${number(fitting.length)} av formene som er tillatt, men kan bare passe til én.`
        : expected
          ? `Må være ${kindsIn(expected)}.`
          : 'Passer ikke til noen av formene som er tillatt.',
    not: 'Har en form som ikke er tillatt her.',
    limit: 'Er for stor eller for dypt nøstet til å kunne kontrolleres.',
    parse: (params) => refusalText(refusals, params),
  },
  drawn: {
    required: '(må fylles ut)',
    deprecated: 'Brukes ikke lenger.',
    checking: 'Kontrolleres …',
    more: (count) => (count === 1 ? 'én feil til' : `${number(count)} feil til`),
    toMend: (count) => (count === 1 ? 'Én ting må rettes:' : `${number(count)} ting må rettes:`),
    toMendHere: (count) => `${number(count)} ting å rette`,
    toMendOnPage: (count) =>
      count === 1 ? 'Én ting på denne siden må rettes.' : `${number(count)} ting på denne siden må rettes.`,
    wholeForm: 'Skjemaet',
    entry: 'Oppføring',
    send: 'Send',
    sending: 'Sender …',
    broken: (label, reason) => `${label}: virker ikke (${reason}).`,
    tryAgain: 'Prøv igjen',
    oneOf: 'Én av disse',
    add: (name) => `Legg til ${name.toLowerCase()}`,
    open: (name) => `Legg til ${name.toLowerCase()}`,
    takeAway: 'Ta bort',
    takeAwayOf: (name) => `Ta bort ${name.toLowerCase()}`,
    tookAway: (name) => `Tok bort ${name.toLowerCase()}.`,
    putBack: 'Legg tilbake',
    most: (count) => `Det kan ikke være flere enn ${number(count)}.`,
    actions: (name) => `Handlinger for ${name.toLowerCase()}`,
    drag: 'Dra til et annet sted',
    up: (name) => `Flytt ${name.toLowerCase()} opp`,
    down: (name) => `Flytt ${name.toLowerCase()} ned`,
    double: 'Dobl',
    doubleOf: (name) => `Dobl ${name.toLowerCase()}`,
    takeAwayMember: (name) => `Ta bort ${name}`,
    memberName: (name) => `Navn på opplysningen ${name}`,
    newMember: (group) => `Navn på en ny opplysning${group === '' ? '' : ` i ${group}`}`,
    namePlaceholder: 'navn',
    addMember: 'Legg til en opplysning',
    nameNeeded: 'Et navn trengs.',
    nameTaken: (name) => `Det finnes allerede en opplysning «${name}».`,
    nameNotAllowed: (name) => `En opplysning «${name}» er ikke tillatt.`,
    choices: 'Valg',
    nothingFits: 'Ingenting passer til det som er skrevet.',
    looking: 'Leter …',
    nothingFound: 'Ingenting ble funnet.',
    moreThere: (count) => `Det finnes flere enn disse ${number(count)}: skriv for å avgrense.`,
    dependsOn: 'Fyll først ut det dette avhenger av.',
    notFetched: (reason) => `Valgene kunne ikke hentes: ${reason} Trykk på feltet for å prøve igjen.`,
    unknownChoice: (value) => `«${value}» er ikke kjent der valgene kommer fra.`,
    aFile: 'En fil',
    fileBroken: (reason) => `Filen kan ikke leses: ${reason}.`,
    size,
    pages: 'Sidene i dette skjemaet',
    page: (at, all) => `Side ${number(at)} av ${number(all)}`,
    overview: 'Oversikt',
    next: 'Neste',
    back: 'Tilbake',
    change: 'Endre',
    changeOf: (name) => `Endre ${name.toLowerCase()}`,
    nothingFilledIn: 'Ingenting er fylt ut her.',
    inWords: inWords('ja', 'nei', 'ingenting'),
    yes: 'ja',
    no: 'nei',
    noAnswer: 'Serveren svarer ikke.',
    stopped: 'Det ble stanset.',
    noToken: (address, member) => `${address} ga ingen «${member}».`,
    typedIsKept: 'Det du skrev er tatt vare på; prøv igjen.',
  },
};
