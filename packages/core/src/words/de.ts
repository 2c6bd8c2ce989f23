/** German. */
import { nearestName } from '../json/index.js';
import { shortly } from '../schema/index.js';
import { language, refusalText } from './language.js';
import type { RefusalWords, Words } from './words.js';

const { number, plural, size, list, inWords } = language('de');
const q = (value: unknown): string => shortly(value, ['„', '“'], 'nichts');
const kinds: Readonly<Record<string, string>> = {
  null: 'nichts (null)',
  boolean: 'ja oder nein',
  integer: 'eine ganze Zahl',
  number: 'eine Zahl',
  string: 'ein Text',
  array: 'eine Liste',
  object: 'eine Gruppe von Angaben',
};
const kindsIn = (given: unknown): string =>
  list((Array.isArray(given) ? given : [given]).map((kind) => kinds[String(kind)] ?? String(kind)));
const formats: Readonly<Record<string, string>> = {
  'date-time': 'Datum und Uhrzeit mit Zeitzone sein, etwa 2026-11-23T08:15:00+01:00',
  date: 'ein Datum sein, etwa 2026-11-23',
  time: 'eine Uhrzeit mit Zeitzone sein, etwa 08:15:00+01:00',
  duration: 'eine Dauer sein, etwa P3DT12H',
  email: 'eine E-Mail-Adresse sein',
  'idn-email': 'eine E-Mail-Adresse sein',
  hostname: 'ein Hostname sein',
  'idn-hostname': 'ein Hostname sein',
  ipv4: 'eine IPv4-Adresse sein, etwa 192.0.2.1',
  ipv6: 'eine IPv6-Adresse sein, etwa 2001:db8::1',
  uri: 'eine vollständige Webadresse sein, mit https://',
  'uri-reference': 'eine Webadresse sein',
  iri: 'eine vollständige Webadresse sein, mit https://',
  'iri-reference': 'eine Webadresse sein',
  uuid: 'eine UUID sein, etwa 2eb8aa08-aa98-11ea-b4aa-73b441d16380',
  'uri-template': 'eine URI-Vorlage sein, etwa /crossings{?from,to}',
  'json-pointer': 'ein JSON Pointer sein, etwa /consignor/name',
  'relative-json-pointer': 'ein relativer JSON Pointer sein, etwa 1/name',
  regex: 'ein regulärer Ausdruck sein',
};
const characters = { one: 'Zeichen', other: 'Zeichen' };
const entries = { one: 'Eintrag', other: 'Einträge' };
const members = { one: 'Angabe', other: 'Angaben' };

function noneOf(allowed: readonly unknown[], seen: unknown): string {
  const shown =
    allowed.length > 8 ? [...allowed.slice(0, 5).map(q), `… (${number(allowed.length)} insgesamt)`] : allowed.map(q);
  if (typeof seen !== 'string' || seen === '')
    return `Muss ${allowed.length > 8 ? `einer von ${number(allowed.length)} Werten` : list(allowed.map(q))} sein.`;
  if (allowed.length === 1) return `Muss ${q(allowed[0])} sein, ist aber ${q(seen)}.`;
  const meant = nearestName(
    seen,
    allowed.filter((one) => typeof one === 'string'),
  );
  return `${q(seen)} ist nichts davon: ${shown.join(', ')}.${meant === undefined ? '' : ` Ist „${meant}“ gemeint?`}`;
}

function patternWords(source: string): string {
  const counted = /^\^(\[A-Z\]|\[a-z\]|\[0-9\]|\\d)\{(\d+)\}\$$/.exec(source);
  if (counted) {
    const [, set = '', count = ''] = counted;
    const what = set === '[A-Z]' ? 'Großbuchstaben A bis Z' : set === '[a-z]' ? 'Kleinbuchstaben a bis z' : 'Ziffern';
    return `Braucht ${count} ${what}.`;
  }
  if (/^\^(?:\[0-9\]|\\d)[+*]\$$/.test(source)) return 'Darf nur Ziffern enthalten.';
  if (/^\\S$|^\^.*\\S.*\$$/.test(source)) return 'Darf nicht nur aus Leerzeichen bestehen.';
  return `Hat nicht die erwartete Form (Muster ${source}).`;
}

const wanted = {
  text: 'ein Text',
  texts: 'eine Liste von Texten',
  parts: 'mehrere Teile',
  list: 'eine Liste',
  choices: 'eine Liste von Auswahlen',
  key: 'ein Schlüssel',
  keys: 'eine Liste von Schlüsseln',
  file: 'eine Datei',
  base64: 'eine Datei in base64',
  boolean: 'ja oder nein',
  number: 'eine Zahl',
  amount: 'ein Betrag',
  minor: 'eine ganze Zahl der kleinsten Einheit',
  date: 'ein Datum wie 2026-11-23',
  time: 'eine Uhrzeit wie 09:15',
  instant: 'Datum und Uhrzeit',
  epoch: 'Millisekunden seit 1970',
};
const seenAs = (value: unknown): string =>
  typeof value === 'string'
    ? `„${value}“`
    : value === null
      ? 'nichts (null)'
      : Array.isArray(value)
        ? 'eine Liste'
        : kindOfSeen(value);
const kindOfSeen = (value: unknown): string => kinds[typeof value] ?? 'etwas anderes';

const refusals: RefusalWords = {
  kind: ({ wanted: what, seen, from }) =>
    `Erwartet wird ${wanted[what]}, ${from === 'record' ? 'gespeichert ist' : 'gekommen ist'} ${seenAs(seen)}.`,
  notJson: ({ seen }) => `${seenAs(seen)} lässt sich nicht als JSON senden.`,
  noNumber: ({ typed, stray }) =>
    `„${typed}“ ist keine Zahl${stray === undefined ? '' : `: „${stray}“ gehört nicht hinein`}.`,
  halfNumber: ({ typed }) => `„${typed}“ ist noch keine vollständige Zahl.`,
  largeNumber: ({ typed }) => `„${typed}“ ist zu groß.`,
  longNumber: ({ typed }) => `„${typed}“ hat mehr Ziffern, als genau behalten werden können.`,
  decimals: ({ typed }) => `„${typed}“ hat Nachkommastellen; hier sind nur ganze Zahlen möglich.`,
  noAmount: ({ typed }) => `„${typed}“ ist kein Betrag.`,
  fineAmount: ({ typed, digits }) =>
    `„${typed}“ hat mehr als ${plural(digits, { one: 'Nachkommastelle', other: 'Nachkommastellen' })}.`,
  largeAmount: ({ typed }) => `„${typed}“ ist zu groß, um genau behalten zu werden.`,
  unit: ({ typed, known }) => `„${typed}“ hat eine Einheit, die hier unbekannt ist; bekannt sind ${known.join(', ')}.`,
  onlyUnit: ({ typed }) => `„${typed}“ hat noch keine Zahl.`,
  noDate: ({ typed }) => `„${typed}“ ist kein Datum; schreiben Sie es wie 2026-11-23.`,
  noDay: ({ typed }) => `„${typed}“ gibt es im Kalender nicht.`,
  noTime: ({ typed }) => `„${typed}“ ist keine Uhrzeit; schreiben Sie sie wie 09:15.`,
  noInstant: ({ typed }) => `„${typed}“ ist kein Datum mit Uhrzeit; schreiben Sie es wie 2026-11-23 09:15.`,
  skipped: ({ typed, zone }) =>
    `„${typed}“ gibt es${zone === undefined ? '' : ` in ${zone}`} nicht: Die Uhren werden darüber hinweg vorgestellt.`,
  brokenDate: () => 'Das ist kein gültiges Datum.',
  part: ({ part }) => `${part} fehlt noch.`,
  separator: ({ part, separator }) => `${part} enthält „${separator}“, das zwischen den Teilen steht.`,
  unchosen: ({ typed }) => `„${typed}“ gehört nicht zur Auswahl: Wählen Sie etwas daraus.`,
  noKey: ({ key }) => `Die Auswahl hat kein „${key}“.`,
  fileSize: ({ size: bytes, most }) => `Die Datei hat ${size(bytes)}; höchstens ${size(most)} werden angenommen.`,
  fileKind: ({ type, wanted: what }) => `Die Datei ist von der Art ${type}; erwartet wird ${what}.`,
  yesNo: ({ seen }) => `${seenAs(seen)} heißt weder ja noch nein.`,
  notListed: ({ typed, known }) => `„${typed}“ steht nicht in der Tabelle: ${known.join(', ')}.`,
  item: ({ number: at, inner }) => `${number(at)}. Eintrag: ${refusalText(refusals, inner)}`,
  step: ({ number: at, inner }) => `${number(at)}. Schritt: ${refusalText(refusals, inner)}`,
  nothingLeft: ({ typed }) =>
    `Von „${typed}“ bleibt nichts übrig: Nur Buchstaben a bis z, Ziffern und Bindestriche zählen.`,
  noJson: ({ says }) => `Das ist kein JSON: ${says}.`,
};

export const de: Words = {
  lang: 'de',
  dir: 'ltr',
  messages: {
    type: ({ expected, seen }) =>
      `Muss ${kindsIn(expected)} sein, ist aber ${seen === undefined || seen === 'missing' ? 'nicht da' : kindsIn(seen)}.`,
    enum: ({ allowed, seen }) => noneOf(Array.isArray(allowed) ? allowed : [allowed], seen),
    const: ({ allowed, seen }) => noneOf([allowed], seen),
    multipleOf: ({ limit }) =>
      limit === 1 ? 'Muss eine ganze Zahl sein.' : `Muss ein Vielfaches von ${number(limit)} sein.`,
    maximum: ({ limit }) => `Darf höchstens ${number(limit)} sein.`,
    minimum: ({ limit }) => `Muss mindestens ${number(limit)} sein.`,
    exclusiveMaximum: ({ limit }) => `Muss kleiner als ${number(limit)} sein.`,
    exclusiveMinimum: ({ limit }) => `Muss größer als ${number(limit)} sein.`,
    maxLength: ({ limit, seen }) => `Darf höchstens ${plural(limit, characters)} lang sein, hat aber ${number(seen)}.`,
    minLength: ({ limit, seen }) =>
      seen === 0
        ? 'Darf nicht leer sein.'
        : `Muss mindestens ${plural(limit, characters)} lang sein, hat aber ${number(seen)}.`,
    pattern: ({ pattern }) => patternWords(String(pattern)),
    format: ({ format }) => `Muss ${formats[String(format)] ?? `das Format „${String(format)}“ haben`}.`,
    contentEncoding: ({ contentEncoding }) => `Ist kein Text in ${String(contentEncoding)}.`,
    contentMediaType: ({ contentMediaType }) => `Ist nicht von der Art ${String(contentMediaType)}.`,
    required: 'Muss angegeben werden.',
    false: 'Ist hier nicht erlaubt.',
    maxProperties: ({ limit, seen }) => `Darf höchstens ${plural(limit, members)} haben, hat aber ${number(seen)}.`,
    minProperties: ({ limit, seen }) => `Muss mindestens ${plural(limit, members)} haben, hat aber ${number(seen)}.`,
    propertyNames: ({ name }) => `Der Name ${q(name)} ist hier nicht erlaubt.`,
    dependentRequired: 'Muss angegeben werden.',
    maxItems: ({ limit, seen }) => `Darf höchstens ${plural(limit, entries)} haben, hat aber ${number(seen)}.`,
    minItems: ({ limit, seen }) => `Muss mindestens ${plural(limit, entries)} haben, hat aber ${number(seen)}.`,
    uniqueItems: ({ items }) =>
      Array.isArray(items)
        ? `Die Einträge ${number(Number(items[0]) + 1)} und ${number(Number(items[1]) + 1)} sind gleich.`
        : 'Hat denselben Eintrag zweimal.',
    contains: 'Hat keinen Eintrag der Art, die gebraucht wird.',
    minContains: ({ limit, seen }) =>
      `Muss mindestens ${plural(limit, entries)} der gebrauchten Art haben, hat aber ${number(seen)}.`,
    maxContains: ({ limit }) => `Darf höchstens ${plural(limit, entries)} dieser Art haben, hat aber mehr.`,
    anyOf: ({ expected }) => (expected ? `Muss ${kindsIn(expected)} sein.` : 'Passt zu keiner der erlaubten Formen.'),
    oneOf: ({ fitting, expected }) =>
      Array.isArray(fitting)
        ? `Passt zu ${number(fitting.length)} der erlaubten Formen, darf aber nur zu einer passen.`
        : expected
          ? `Muss ${kindsIn(expected)} sein.`
          : 'Passt zu keiner der erlaubten Formen.',
    not: 'Hat eine Form, die hier nicht erlaubt ist.',
    limit: 'Ist zu groß oder zu tief verschachtelt, um geprüft zu werden.',
    parse: (params) => refusalText(refusals, params),
  },
  drawn: {
    required: '(Pflichtfeld)',
    deprecated: 'Wird nicht mehr verwendet.',
    checking: 'Wird geprüft …',
    more: (count) => plural(count, { one: 'weiterer Fehler', other: 'weitere Fehler' }),
    toMend: (count) =>
      count === 1 ? 'Eine Angabe muss berichtigt werden:' : `${number(count)} Angaben müssen berichtigt werden:`,
    toMendHere: (count) => `${plural(count, members)} zu berichtigen`,
    toMendOnPage: (count) =>
      count === 1
        ? 'Auf dieser Seite muss eine Angabe berichtigt werden.'
        : `Auf dieser Seite müssen ${number(count)} Angaben berichtigt werden.`,
    wholeForm: 'Das Formular',
    entry: 'Eintrag',
    send: 'Senden',
    sending: 'Wird gesendet …',
    broken: (label, reason) => `${label}: defekt (${reason}).`,
    tryAgain: 'Noch einmal versuchen',
    oneOf: 'Eines davon',
    add: (name) => `${name} hinzufügen`,
    open: (name) => `${name} hinzufügen`,
    takeAway: 'Entfernen',
    takeAwayOf: (name) => `${name} entfernen`,
    tookAway: (name) => `${name} entfernt.`,
    putBack: 'Zurückholen',
    most: (count) => `Mehr als ${number(count)} dürfen es nicht sein.`,
    actions: (name) => `Aktionen für ${name}`,
    drag: 'An eine andere Stelle ziehen',
    up: (name) => `${name} nach oben`,
    down: (name) => `${name} nach unten`,
    double: 'Verdoppeln',
    doubleOf: (name) => `${name} verdoppeln`,
    takeAwayMember: (name) => `${name} entfernen`,
    memberName: (name) => `Name der Angabe ${name}`,
    newMember: (group) => `Name einer neuen Angabe${group === '' ? '' : ` in ${group}`}`,
    namePlaceholder: 'Name',
    addMember: 'Angabe hinzufügen',
    nameNeeded: 'Ein Name ist nötig.',
    nameTaken: (name) => `Eine Angabe „${name}“ gibt es schon.`,
    nameNotAllowed: (name) => `Eine Angabe „${name}“ ist nicht erlaubt.`,
    choices: 'Auswahl',
    nothingFits: 'Nichts passt zu dem, was eingegeben ist.',
    looking: 'Wird gesucht …',
    nothingFound: 'Nichts gefunden.',
    moreThere: (count) => `Es gibt mehr als diese ${number(count)}: tippen Sie, um sie einzugrenzen.`,
    dependsOn: 'Füllen Sie zuerst aus, wovon dies abhängt.',
    notFetched: (reason) =>
      `Die Auswahl konnte nicht geholt werden: ${reason} Drücken Sie auf das Feld, um es noch einmal zu versuchen.`,
    unknownChoice: (value) => `„${value}“ ist dort, woher die Auswahl kommt, nicht bekannt.`,
    aFile: 'Eine Datei',
    fileBroken: (reason) => `Die Datei kann nicht gelesen werden: ${reason}.`,
    size,
    pages: 'Seiten dieses Formulars',
    page: (at, all) => `Seite ${number(at)} von ${number(all)}`,
    overview: 'Übersicht',
    next: 'Weiter',
    back: 'Zurück',
    change: 'Ändern',
    changeOf: (name) => `${name} ändern`,
    nothingFilledIn: 'Hier ist nichts ausgefüllt.',
    inWords: inWords('ja', 'nein', 'nichts'),
    yes: 'ja',
    no: 'nein',
    noAnswer: 'Der Server antwortet nicht.',
    stopped: 'Es wurde angehalten.',
    noToken: (address, member) => `${address} gab kein „${member}“.`,
    typedIsKept: 'Was Sie eingegeben haben, ist noch da; versuchen Sie es erneut.',
  },
};
