/** The sentences about plain-DOM widgets: how they are made, told of values, and taken away. */
import { removeAt, replaceAt } from '../json/index.js';
import { widgetElements, widgetReports, type AdapterDescription, type WidgetReports } from './description.js';
import type { FoundInput } from './face.js';
import type { Sentence, Slot } from './slot.js';

const reportWords: Readonly<Record<WidgetReports, string>> = {
  options: 'options',
  on: 'events that a method subscribes to',
  methods: 'methods that take the listener',
  events: 'events of its element',
};

/** How a widget is used; nothing for any other input. */
export function widgetSentences(
  { widget }: AdapterDescription,
  input: FoundInput | undefined,
  slot: (at: string, choices: readonly string[], words?: string) => Slot,
): Sentence[] {
  if (!widget) return [];
  const methods = input?.methods ?? [];
  const options = input?.properties.filter(({ args }) => !args).map(({ name }) => name) ?? [];
  const unless = (value: unknown, words: string): string | undefined => (value === undefined ? words : undefined);
  return [
    {
      about: 'widget',
      parts: [
        'Is made by ',
        { ...slot('/widget/start', ['new', 'call'], widget.start === 'new' ? 'new' : 'a call'), open: false },
        ' on an element ',
        { ...slot('/widget/element', widgetElements), open: false },
        ', which goes in ',
        slot('/widget/place', options, widget.place === undefined ? 'before the options' : `as “${widget.place}”`),
        ', is worked with through ',
        slot('/widget/handle', [], unless(widget.handle, 'what was made')),
        ', and begins ',
        slot('/widget/begin', methods, widget.begin === undefined ? 'by itself' : `by “${widget.begin}”`),
        '.',
      ],
    },
    {
      about: 'update',
      parts: [
        'Takes its first value ',
        {
          ...slot('/widget/startsEmpty', ['true'], widget.startsEmpty ? 'as later ones' : 'as an option'),
          open: false,
        },
        ', later ones by ',
        slot('/widget/update', methods),
        ', and is taken away by ',
        slot('/widget/destroy', methods, unless(widget.destroy, 'emptying its place')),
        ', which ',
        {
          ...slot(
            '/widget/leavesTraces',
            ['true'],
            widget.leavesTraces ? 'leaves traces on the page' : 'leaves nothing',
          ),
          open: false,
        },
        '.',
      ],
    },
    {
      about: 'reports',
      parts: [
        'Is heard through ',
        { ...slot('/widget/reports', widgetReports, reportWords[widget.reports]), open: false },
        ...(widget.reports === 'on' ? [': ', slot('/widget/on', ['on', ...methods], widget.on ?? 'on')] : []),
        '.',
      ],
    },
  ];
}

const closed: Readonly<Record<string, readonly string[]>> = {
  start: ['new', 'call'],
  element: widgetElements,
  reports: widgetReports,
};

const flags: ReadonlySet<string> = new Set(['startsEmpty', 'leavesTraces']);

/** The description with one slot of these sentences changed; an emptied one takes its part away, where there may be none. */
export function changeWidget(adapter: AdapterDescription, at: string, value: string): AdapterDescription {
  const [, , member = ''] = at.split('/');
  const allowed = closed[member];
  if (allowed && !allowed.includes(value)) throw new TypeError(`Here stands ${allowed.join(', ')}.`);
  if (value === '' && member === 'update')
    throw new TypeError('A widget needs a method or a property that takes a later value.');
  if (value === '') return removeAt(adapter, at);
  return replaceAt(adapter, at, flags.has(member) ? true : value);
}
