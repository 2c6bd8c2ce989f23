/** An adapter read aloud: sentences with slots, each slot a part of the description that can be edited in place. */
import { isObject, joinPointer, lookUp, removeAt, replaceAt } from '../json/index.js';
import { changeChoices, choicesSentences } from './choices-sentences.js';
import { laterValues, valueKinds, type AdapterDescription } from './description.js';
import { pathWords, type told } from './drive.js';
import type { FoundInput } from './face.js';
import { families } from './families.js';
import { changeMade, madeSentence } from './made-sentence.js';
import type { Sentence, Slot } from './slot.js';
import { changeWidget, widgetSentences } from './widget-sentences.js';

type Told = (typeof told)[number] | 'ownIds';

/** Properties that are called like what they take are offered first. */
const alike: Partial<Record<Told, RegExp>> = {
  ownIds: /^id$|(instance|base|element|input)id$|^idprefix$|^name$/i,
  label: /label|title|heading|caption/i,
  hint: /hint|help|description|below/i,
  message: /error|message|invalid|help/i,
};
const likely =
  (name: Told) =>
  (property: string): boolean =>
    alike[name]?.test(property) ?? property.toLowerCase() === name.toLowerCase();

/** An adapter's description in sentences. */
export function sentencesFor(adapter: AdapterDescription, input?: FoundInput): Sentence[] {
  const properties = input?.properties.filter(({ args }) => !args).map(({ name }) => name) ?? [];
  const reports = input
    ? families[input.family].tells === 'by events'
      ? input.events.map(({ name }) => name)
      : input.properties.filter(({ args }) => args).map(({ name }) => name)
    : [];
  const slot = (at: string, choices: readonly string[], words?: string): Slot => {
    const value = String(lookUp(adapter, at) ?? '');
    return {
      at,
      value,
      choices: [...new Set([value, ...choices])].filter((choice) => choice !== ''),
      open: true,
      ...(words === undefined ? {} : { words }),
    };
  };
  const valuePaths = ['/0', '/1', '/0/target/value', '/0/target/checked', '/0/detail', '/0/detail/value'];
  const flag = (name: Told, words: string, otherwise: string): Sentence => ({
    about: name,
    parts: [
      words,
      slot(
        `/${name}/property`,
        ['', ...properties.filter(likely(name)), ...properties],
        adapter[name] ? undefined : otherwise,
      ),
      '.',
    ],
  });
  const focusChoices = ['element', 'handle', 'inner'];
  const { focus } = adapter;
  if (adapter.parts) return togetherSentences(adapter);
  return [
    {
      about: 'value',
      parts: [
        'Shows its value through ',
        slot('/value/property', properties),
        ', and opens at it through ',
        slot('/value/start', properties, adapter.value.start === undefined ? 'nothing else' : undefined),
        '.',
      ],
    },
    madeSentence(adapter, input, slot),
    ...widgetSentences(adapter, input, slot),
    {
      about: 'no value',
      parts: [
        'For “no value” it takes ',
        {
          at: '/value/empty',
          value: 'empty' in adapter.value ? JSON.stringify(adapter.value.empty) : '',
          choices: ['null', '""', '[]', 'false', '0'],
          open: true,
          ...('empty' in adapter.value ? {} : { words: 'the property left out' }),
        },
        ', and bears ',
        slot('/value/kind', valueKinds, adapter.value.kind ?? 'every kind of value'),
        '.',
      ],
    },
    {
      about: 'later',
      parts: [
        'A later value it ',
        {
          at: '/value/later',
          value: adapter.value.later ?? '',
          choices: laterValues,
          open: false,
          words: laterWords[adapter.value.later ?? 'itself'],
        },
        '.',
      ],
    },
    {
      about: 'refusal',
      parts: [
        'When a change is refused, it ',
        orAnew('/change/refused', adapter.change.refused, 'has to be made anew', 'goes back by itself'),
        '.',
      ],
    },
    {
      about: 'change',
      parts: [
        'Reports changes through ',
        slot('/change/report', reports),
        ...(adapter.change.tells
          ? []
          : [', value in ', slot('/change/path', valuePaths, pathWords(adapter.change.path))]),
        ...(adapter.widget
          ? [' of ', slot('/change/asks', input?.methods ?? [], adapter.change.asks ?? 'what it is called with')]
          : []),
        ...(isOnOrOff(adapter)
          ? [
              ', telling ',
              {
                at: '/change/tells' as const,
                value: adapter.change.tells ?? '',
                choices: ['press'],
                open: false,
                words: adapter.change.tells ? 'only that it was pressed: the value turns over' : 'the value',
              },
            ]
          : []),
        '.',
      ],
    },
    {
      about: 'leave',
      parts: [
        'Reports leaving through ',
        slot('/leave/report', reports, adapter.leave ? undefined : 'the focus going out of its box'),
        '.',
      ],
    },
    {
      about: 'focus',
      parts: [
        'Takes the focus by ',
        {
          ...slot(
            '/focus/by',
            focusChoices,
            focus.by === 'element'
              ? 'its element'
              : focus.by === 'handle'
                ? 'a method of its handle'
                : 'an element inside',
          ),
          open: false,
        },
        ...(focus.by === 'handle'
          ? [': ', slot('/focus/method', input?.methods ?? ['focus'])]
          : focus.by === 'inner'
            ? [': ', slot('/focus/selector', ['input', 'button', '[tabindex="0"]'])]
            : []),
        '.',
      ],
    },
    {
      about: 'invalid',
      parts: [
        'Is told that it is invalid through ',
        slot('/invalid/property', ['', ...properties], adapter.invalid ? undefined : 'ARIA, and a line around it'),
        ...(adapter.invalid
          ? [
              ', which then is ',
              {
                at: '/invalid/value',
                value: 'value' in adapter.invalid ? JSON.stringify(adapter.invalid.value) : '',
                choices: ['true', '"error"', '"invalid"'],
                open: true,
                ...('value' in adapter.invalid ? {} : { words: 'true' }),
              },
            ]
          : []),
        '.',
      ],
    },
    flag('disabled', 'Is disabled through ', 'its box, which is put out of reach'),
    flag('readOnly', 'Is made read only through ', 'refusing what it reports'),
    flag('required', 'Is told that it is required through ', 'ARIA, or its name'),
    flag('name', 'Submits its value itself, under the name in ', 'no property: a hidden input carries it'),
    flag('placeholder', 'Shows a placeholder through ', 'no property: it shows none'),
    flag('labelledBy', 'Takes the id of its label through ', 'the element that a person works with'),
    flag('describedBy', 'Takes the ids of hint and message through ', 'the element that a person works with'),
    flag('label', 'Draws its label itself, from ', 'no property: the form draws it'),
    flag('hint', 'Draws its hint itself, from ', 'no property: the form draws it'),
    flag('message', 'Draws what is to be mended itself, from ', 'no property: the form draws it'),
    flag('id', 'Takes its id through ', adapter.real ? 'the real element' : 'nothing: its box is a named group'),
    {
      about: 'onServer',
      parts: [
        'Draws ',
        slot('/onServer', ['', 'nothing'], adapter.onServer ? 'nothing' : 'itself'),
        adapter.onServer ? ' on a server, and stands once its page is there.' : ' on a server.',
      ],
    },
    flag('ownIds', 'Makes ids for what is inside it of ', 'nothing that it is given'),
    {
      about: 'real',
      parts: [
        'The real element is ',
        slot(
          '/real/selector',
          realChoices,
          adapter.real ? undefined : adapter.id ? 'the one with the id' : 'none: it is a group',
        ),
        '.',
      ],
    },
    ...choicesSentences(adapter, input, properties, slot),
    {
      about: 'constants',
      parts: [
        'Always gets ',
        {
          at: '/constants',
          value: JSON.stringify(adapter.constants ?? {}),
          choices: [],
          open: true,
          ...(adapter.constants ? {} : { words: 'nothing else' }),
        },
        '.',
      ],
    },
  ];
}

const realChoices = ['input', 'textarea', 'select', '[role=combobox]', '[role=slider]', '[role=radiogroup]', 'button'];

const laterWords = {
  itself: 'follows',
  anew: 'shows only where it is made anew with it',
  files: 'is given as the files of its box',
} as const;

/** Whether it is made anew for something, or does it by itself. */
const orAnew = (at: string, value: 'anew' | undefined, anew: string, byItself: string): Slot => ({
  at,
  value: value ?? '',
  choices: ['anew'],
  open: false,
  words: value === undefined ? byItself : anew,
});

/** What is on or off, as its kind or its “no value” says, may tell of being pressed alone. */
const isOnOrOff = ({ change, value }: AdapterDescription): boolean =>
  change.tells !== undefined || value.kind === 'boolean' || value.empty === false;

/** Slots that take one of a few words, or none. */
const words = new Map<string, readonly string[]>([
  ['/value/kind', valueKinds],
  ['/change/tells', ['press']],
  ['/value/later', laterValues],
  ['/change/refused', ['anew']],
  ['/onServer', ['nothing']],
]);

/** The description with one slot changed; an emptied slot takes its part of the description away. */
export function changeSlot(adapter: AdapterDescription, at: string, value: string): AdapterDescription {
  if (at === '/constants') {
    const constants: unknown = JSON.parse(value.trim() === '' ? '{}' : value);
    if (!isObject(constants)) throw new TypeError('Constant properties are an object, like {"mode": "single"}.');
    return Object.keys(constants).length > 0 ? replaceAt(adapter, at, constants) : removeAt(adapter, at);
  }
  if (at === '/invalid/value')
    return value.trim() === '' ? removeAt(adapter, at) : replaceAt(adapter, at, JSON.parse(value) as unknown);
  if (at === '/focus/by') {
    const focus =
      value === 'handle'
        ? { by: 'handle', method: 'focus' }
        : value === 'inner'
          ? { by: 'inner', selector: '[tabindex="0"], input, button' }
          : { by: 'element' };
    return replaceAt(adapter, '/focus', focus);
  }
  if (at === '/value/empty')
    return value.trim() === '' ? removeAt(adapter, at) : replaceAt(adapter, at, JSON.parse(value) as unknown);
  const allowed = words.get(at);
  if (allowed) {
    if (value.trim() === '') return removeAt(adapter, at);
    if (!allowed.includes(value.trim())) throw new TypeError(`Here stands ${allowed.join(', ')}, or nothing.`);
  }
  if (at === '/change/asks' && value.trim() === '') return removeAt(adapter, at);
  if (at.startsWith('/widget/')) return changeWidget(adapter, at, value.trim());
  if (at.startsWith('/value/made/')) return changeMade(adapter, at, value.trim());
  if (at.startsWith('/choices/')) return changeChoices(adapter, at, value.trim());
  const [, part = '', member = ''] = at.split('/');
  if (value.trim() === '' && at === '/value/start') return removeAt(adapter, at);
  if (value.trim() === '' && part !== 'value' && part !== 'change' && part !== 'focus')
    return removeAt(adapter, joinPointer('', part));
  if (value.trim() === '') throw new TypeError(`“${part} ${member}” cannot be empty: without it the line is broken.`);
  return replaceAt(adapter, at, value.trim());
}

/** Inputs put together speak through their parts; only what is told of the whole can be said here. */
function togetherSentences(adapter: AdapterDescription): Sentence[] {
  const names = (adapter.parts ?? []).map(({ name }) => `“${name}”`);
  return [
    { about: 'value', parts: [`Shows an object with the members ${names.join(', ')}, one for each part.`] },
    { about: 'change', parts: ['Reports the whole object when one of its parts reports a change.'] },
    { about: 'focus', parts: ['Takes the focus in its first part, and is left when the focus leaves all of them.'] },
  ];
}
