/** The sentences about values to choose from. */
import { removeAt, replaceAt } from '../json/index.js';
import { componentsIn, type AdapterDescription, type ChoicesUse, type ListUse } from './description.js';
import type { FoundInput } from './face.js';
import type { Sentence, Slot } from './slot.js';

/** What an input’s value may be of its choices, where it is not the value of one: the item as it stands in its list. */
export const takings = ['item', 'words'] as const satisfies readonly ListUse['takes'][];

type SlotAt = (at: string, choices: readonly string[], words?: string) => Slot;

/** Where they go, and of a list what it is made into, what its items are to the value, and which part stands for one. */
export function choicesSentences(
  { choices }: AdapterDescription,
  input: FoundInput | undefined,
  properties: readonly string[],
  slot: SlotAt,
): Sentence[] {
  if (!choices)
    return [
      {
        about: 'choices',
        parts: ['Takes its choices through ', slot('/choices/property', properties, 'nothing: it has none'), '.'],
      },
    ];
  const value = slot('/choices/value', ['value', 'id', 'key']);
  if ('tag' in choices) {
    const tag = slot('/choices/tag', [], `<${choices.tag}>`);
    const words = slot('/choices/text', ['label', 'text'], choices.text === undefined ? 'the text inside' : undefined);
    return [
      {
        about: 'choices',
        parts: [
          'Has its choices as ',
          tag,
          ' elements inside, with the value in ',
          value,
          ' and the words in ',
          words,
          '.',
        ],
      },
    ];
  }
  const text = slot('/choices/text', ['children', 'label', 'text', 'title', 'name']);
  if ('component' in choices) {
    const component = slot('/choices/component', []);
    return [
      {
        about: 'choices',
        parts: [
          'Has its choices as ',
          component,
          ' inside, with the value in ',
          value,
          ' and the words in ',
          text,
          '.',
        ],
      },
    ];
  }
  const { made, takes, each } = choices;
  const known = input?.list;
  return [
    {
      about: 'choices',
      parts: [
        'Takes its choices through ',
        slot('/choices/property', properties),
        ...(takes === 'words' ? [', as their words alone'] : [', as ', value, ' and ', text]),
        '; its value is ',
        slot('/choices/takes', takings, saidOf(takes)),
        '.',
      ],
    },
    {
      about: 'list',
      parts: [
        'The list of choices is made by ',
        slot('/choices/made/by', known ? [known.made.by] : [], made ? undefined : 'nothing: it is taken as it is'),
        ...(made ? [', under ', slot('/choices/made/under', ['items'])] : []),
        ', and each of them goes to ',
        slot('/choices/each/component', componentsWithin(input), each ? undefined : 'no part inside'),
        ...(each ? [' as ', slot('/choices/each/property', ['item', 'option', 'value'])] : []),
        '.',
      ],
    },
  ];
}

const componentsWithin = (input: FoundInput | undefined): string[] => [
  ...new Set((input?.inside ?? []).flatMap((way) => componentsIn(way.inside))),
];

const saidOf = (takes: ListUse['takes']): string =>
  takes === 'words' ? 'the words of one' : takes === 'item' ? 'the choice itself' : 'the value of one';

/** The description with one slot of those sentences changed; an emptied one takes its part away. */
export function changeChoices(adapter: AdapterDescription, at: string, value: string): AdapterDescription {
  if (/^\/choices\/(property|tag|component)$/.test(at) && value !== '')
    return { ...adapter, choices: choicesNamed(value, adapter.choices) };
  if (value === '') return removeAt(adapter, emptied(at, adapter.choices));
  if (at === '/choices/takes' && !takings.some((one) => one === value))
    throw new TypeError(`Here stands ${takings.join(' or ')}, or nothing.`);
  const isName = at === '/choices/made/by' || at === '/choices/each/component';
  if (isName && !/^[^#\s]+#[^#\s]+$/.test(value))
    throw new TypeError('Write it as package#export, like @harbour/suite#makeList.');
  const list = adapter.choices && 'property' in adapter.choices ? adapter.choices : undefined;
  if (at === '/choices/made/by' && !list?.made)
    return replaceAt(adapter, '/choices/made', { by: value, under: 'items' });
  if (at === '/choices/each/component' && !list?.each)
    return replaceAt(adapter, '/choices/each', { component: value, property: 'item' });
  return replaceAt(adapter, at, value);
}

/** What goes with an emptied slot: without the names of value and text there are no choices, but elements may have words inside. */
function emptied(at: string, choices: ChoicesUse | undefined): string {
  if (at.split('/').length > 3) return at.slice(0, at.lastIndexOf('/'));
  const isAlone = at === '/choices/takes' || (at === '/choices/text' && choices !== undefined && 'tag' in choices);
  return isAlone ? at : '/choices';
}

/** A property's name, `<tag>` of child elements, or `package#Export` of child components; what else is said of choices stays. */
function choicesNamed(name: string, before: ChoicesUse | undefined): ChoicesUse {
  const value = before?.value ?? 'value';
  const [, tag] = /^<([a-z][a-z0-9-]*)>$/.exec(name) ?? [];
  const text = before && 'text' in before ? before.text : undefined;
  // Where the words of elements stand inside, no property takes them.
  if (tag !== undefined) return { tag, value, ...(before && 'tag' in before && text ? { text } : {}) };
  if (name.includes('#')) return { component: name, value, text: text ?? 'children' };
  const more = before && 'property' in before ? before : {};
  return { ...more, property: name, value, text: text ?? 'label' };
}
