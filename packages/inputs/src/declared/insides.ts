/**
 * Ways to put a component together of the parts that its package has for it, by names of general use and by what their
 * properties take. Which of them is right, if any, shows when it is tried.
 */
import { markedBy, type FoundInput, type Inside, type PutTogether } from '@poietra/core';
import type ts from 'typescript';
import { typeAt, wordsBeside } from './choice-items.js';
import type { Components } from './components.js';
import type { Declarations } from './declarations.js';
import { listNames } from './names.js';
import { isOfChoices, Parts } from './parts.js';

const mostWays = 6;
/** Of a value that is typed into a box for each of its signs. */
const boxes = 4;
/** Of a value with an end on each side. */
const ends = 2;
/** Names of what is typed into sign by sign. */
const isOfSigns = /^(?:Pin|Otp|OTP|Code|Digit)/;
/** Names of what takes files. */
const isOfFiles = /File|Upload/;
/** Names of what is typed into. */
const isTypedInto = /field|input|combo|auto|search|number|text/i;

/** What stands for a choice. */
type Chosen = NonNullable<ReturnType<Parts['choice']>>;

/** Signs that every font has. */
const [boxMarks, roundMarks] = [markedBy('■', '□'), markedBy('●', '○')];

/** The likeliest first; none where nothing of the kind is exported. */
export function insidesOf(
  read: Declarations,
  components: Components,
  module: ts.Symbol,
  input: FoundInput,
): PutTogether[] {
  if (input.family !== 'component') return [];
  const type = typeAt(read, module, input.export);
  if (!type) return [];
  const parts = new Parts(read, components, module, input);
  const told = new Set<string>();
  return [...(components.propsOf(type, 'children') ? waysInside(parts, input) : []), ...rendered(parts)]
    .filter((way) => !told.has(JSON.stringify(way)) && told.add(JSON.stringify(way)))
    .slice(0, mostWays);
}

function waysInside(parts: Parts, input: FoundInput): PutTogether[] {
  const taken = files(parts);
  if (taken.length > 0) return taken;
  const isFlag = input.properties.some(({ name }) => /^(checked|pressed|isSelected)$/.test(name));
  const ways = [
    ...segments(parts),
    ...popups(parts),
    ...items(parts),
    ...labelled(parts),
    ...drawnBy(parts, input.made?.members),
    ...sliders(parts),
    ...degrees(parts),
    ...signs(parts),
    ...opening(parts),
    ...fields(parts),
    ...(isFlag ? marks(parts) : []),
  ];
  const holdsChoices = input.properties.some(({ name }) => listNames.includes(name));
  return ways.length === 0 || holdsChoices ? [...ways, ...drawnThemselves(parts)] : ways;
}

/** Each part in the one before it; what is missing is left out. */
const nest = (outer: readonly (string | undefined)[], inner: readonly Inside[]): readonly Inside[] =>
  outer.reduceRight<readonly Inside[]>(
    (inside, component) =>
      component === undefined ? inside : [{ component, ...(inside.length > 0 ? { inside } : {}) }],
    inner,
  );
const alone = (component: string | undefined): Inside[] => (component === undefined ? [] : [{ component }]);

/** A field or a button, and a list of the choices that opens from it. */
function popups(parts: Parts): PutTogether[] {
  const popup = parts.own('popup') ?? (isOfChoices.test(parts.stem) ? parts.get('popup') : undefined);
  const item = popup === undefined ? undefined : parts.choice();
  if (!item) return [];
  const [itemText, list] = [parts.get('itemText'), parts.get('list')];
  const words: Inside = { words: '', of: 'choice' };
  const one: Inside = { component: item.component, inside: nest([itemText], [words]) };
  const opened = nest([parts.own('portal'), parts.own('place'), popup, list], [one]);
  const press = parts.get('press');
  const isTyped = parts.own('field') !== undefined || isTypedInto.test(parts.stem);
  const field = isTyped ? parts.get('field') : undefined;
  // Where what stands in it is no plain text, a property tells it for whoever types its first letters.
  const isTold =
    'component' in item.choices && item.choices.text === 'children' && parts.takes(item.component, wordsBeside);
  const choices = isTold ? { ...item.choices, text: wordsBeside } : item.choices;
  const put = (beside: readonly Inside[]): PutTogether => ({ inside: [...beside, ...opened], choices });
  if (field !== undefined) {
    const pressed: Inside[] = press === undefined ? [] : [{ component: press, inside: [{ words: '▼', silent: true }] }];
    return [put([{ component: field }, ...pressed]), put(nest([parts.own('control')], [{ component: field }]))];
  }
  if (press === undefined) return [];
  const chosen: Inside = { words: 'None', of: 'chosen' };
  const value = parts.own('value');
  const ways = [...(value === undefined ? [] : [nest([press], [{ component: value }])]), nest([press], [chosen])];
  return ways.map(put);
}

/** All choices in view, each put together itself. */
function items(parts: Parts): PutTogether[] {
  const item = parts.own('popup') === undefined ? parts.choice() : undefined;
  const [words, mark, hidden] = [parts.own('itemText'), parts.own('itemMark'), parts.own('itemHidden')];
  if (item && (words ?? mark ?? hidden) === undefined) return [...listed(parts, item), ...rooted(parts, item)];
  if (!item) return [];
  const inside: Inside[] = [
    ...(mark === undefined ? [] : nest([mark], roundMarks)),
    ...nest([words], [{ words: '', of: 'choice' }]),
    ...alone(hidden),
  ];
  return [{ inside: nest([parts.own('control')], [{ component: item.component, inside }]), choices: item.choices }];
}

/** The choices of a group whose buttons say nothing by themselves: each stands in a part that labels it. */
function labelled(parts: Parts): PutTogether[] {
  const label = parts.labelling();
  if (!label) return [];
  const inside = [{ component: label.component, inside: [{ component: label.button, at: label.at }] }];
  return [{ inside, choices: { component: label.component, value: 'value', text: 'label' } }];
}

/** The choices of a group, which stand in a list of their own within it. */
function listed(parts: Parts, { component, choices }: Chosen): PutTogether[] {
  const list = parts.own('list');
  if (list === undefined) return [];
  return [{ inside: nest([list], [{ component, inside: [{ words: '', of: 'choice' }] }]), choices }];
}

/** Each choice a whole that is put together of its own parts: `CheckboxRoot`, in a `CheckboxGroup`. */
function rooted(parts: Parts, { component, choices }: Chosen): PutTogether[] {
  const beside = (end: string): string | undefined => parts.beside(component, end);
  const [control, label] = [beside('Control'), beside('Label')];
  if (control === undefined) return [];
  const indicator = alone(beside('Indicator'));
  const marks = nest([control], indicator.length > 0 ? indicator : roundMarks);
  const words = nest([label], [{ words: '', of: 'choice' }]);
  const inside = [...alone(beside('HiddenInput')), ...nest([beside('Content')], [...marks, ...words])];
  return [{ inside: [{ component, inside }], choices }];
}

/** What is worked with, and what opens from it, where each draws by itself what it needs: the whole holds the choices. */
function drawnThemselves(parts: Parts): PutTogether[] {
  const control = parts.own('control');
  return control === undefined ? [] : [{ inside: [...alone(control), ...alone(parts.own('content'))] }];
}

/** Of a value that is a number, one for each degree: the stars of a rating. */
function degrees(parts: Parts): PutTogether[] {
  const item = parts.own('item');
  if (item === undefined || !/rating|rate|score/i.test(parts.stem) || !parts.takes(item, 'index')) return [];
  const indicator = parts.own('itemIndicator');
  const mark: readonly Inside[] = indicator === undefined ? [{ words: '★', silent: true }] : [{ component: indicator }];
  const all = Array.from({ length: 5 }, (_, i) => ({ component: item, properties: { index: i + 1 }, inside: mark }));
  return [{ inside: nest([parts.own('control')], all) }];
}

/** A box that shows each of its signs in a place of its own. */
function signs(parts: Parts): PutTogether[] {
  const sign = parts.own('sign');
  if (sign === undefined || !parts.takes(sign, 'index')) return [];
  const all = Array.from({ length: boxes }, (_, index): Inside => ({ component: sign, properties: { index } }));
  const constants = parts.takes(parts.id, 'maxLength') ? { maxLength: boxes } : undefined;
  return [{ inside: nest([parts.own('group')], all), ...(constants ? { constants } : {}) }];
}

/** A button, and a field that is put together of parts itself in what opens from it. */
function opening(parts: Parts): PutTogether[] {
  const [press, popup, field] = [parts.own('press'), parts.own('popup'), parts.get('field')];
  const whole = field === undefined ? undefined : parts.whole(field);
  if (press === undefined || popup === undefined || field === undefined || !whole) return [];
  return fields(whole).map(({ inside }) => ({
    inside: [
      { component: press, inside: [{ words: '▼' }] },
      { component: popup, inside: [{ component: field, inside }] },
    ],
  }));
}

/** What is drawn by a function of what the part around gives: the segments of a date, the days of a month. */
function drawnBy(parts: Parts, members: readonly string[] | undefined): PutTogether[] {
  return parts.byFunction().flatMap(({ outer, component, given }) => {
    const inside: Inside[] = [{ component, given }];
    const once = { inside: [{ component: outer, inside }] };
    // Of a value with several members, one for each; which it is goes into the slot of its name.
    return members && parts.takes(outer, 'slot')
      ? [{ inside: members.map((slot) => ({ component: outer, properties: { slot }, inside })) }, once]
      : [once];
  });
}

/** What opens the browser's own choice of files, and what lists those that were taken. */
function files(parts: Parts): PutTogether[] {
  const [hidden, press] = [parts.own('hidden'), parts.own('press')];
  if (!isOfFiles.test(parts.stem) || hidden === undefined || press === undefined) return [];
  const inside: Inside[] = [{ component: hidden }, { component: press, inside: [{ words: '+' }] }];
  const lists = [parts.own('list'), parts.own('items')].filter((one) => one !== undefined);
  return [...lists.map((list) => ({ inside: [...inside, { component: list }] })), { inside }];
}

/** What draws the parts of a value all together: of a date, its year, month and day. */
function segments(parts: Parts): PutTogether[] {
  const all = parts.own('segments');
  if (all === undefined) return [];
  const [control, group] = [parts.own('control'), parts.own('segmentGroup')];
  // It may draw its group by itself; a second one would bear the same id.
  const ways = group === undefined ? [[control]] : [[control], [control, group]];
  return ways.map((around) => ({ inside: nest(around, alone(all)) }));
}

/** What a package without a look leaves out: where the handle goes, and that it goes along something. */
const lineStyle = {
  display: 'block',
  position: 'relative',
  width: '12rem',
  height: '1.5rem',
  background: 'linear-gradient(currentColor, currentColor) center / 100% 1px no-repeat',
};

/** Likewise of what goes in two directions. */
const areaStyle = { width: '12rem', height: '8rem', border: '1px solid' };
const flat = (parts: Parts, inside: readonly Inside[]): PutTogether[] => [
  ...(/area/i.test(parts.stem) && parts.takes(parts.id, 'style') ? [{ inside, constants: { style: areaStyle } }] : []),
  { inside },
];

function sliders(parts: Parts): PutTogether[] {
  const [track, thumb] = [parts.own('track'), parts.own('thumb')];
  if (thumb === undefined || (track === undefined && !/slider|area|wheel/i.test(parts.stem))) return [];
  const control = parts.own('control');
  const line = (inside: readonly Inside[]): readonly Inside[] =>
    track === undefined
      ? inside
      : [{ component: track, properties: { style: lineStyle }, ...(inside.length > 0 ? { inside } : {}) }];
  const isNumbered = parts.takes(thumb, 'index');
  const handles = Array.from({ length: isNumbered && /^Range/.test(parts.stem) ? ends : 1 }, (_, index): Inside => ({
    component: thumb,
    ...(isNumbered ? { properties: { index } } : {}),
    inside: [{ words: '●', silent: true }],
  }));
  if (/area|wheel/i.test(parts.stem)) return flat(parts, [...alone(track), ...handles]);
  const range = alone(parts.own('range'));
  return [
    { inside: nest([control], line([...range, ...handles])) },
    { inside: nest([control], [...line(range), ...handles]) },
  ];
}

function fields(parts: Parts): PutTogether[] {
  const field = parts.own('field') ?? (isTypedInto.test(parts.stem) ? parts.get('field') : undefined);
  if (field === undefined) return [];
  const control = parts.own('control');
  const preview = parts.own('preview');
  // Shown as words until it is pressed; with none there is nothing to press, unless it says what goes there.
  if (preview !== undefined) {
    const inside = nest([control ?? parts.own('area')], [{ component: field }, { component: preview }]);
    return [{ inside }, ...(parts.takes(parts.id, 'placeholder') ? [{ inside, constants: { placeholder: '…' } }] : [])];
  }
  const isNumbered = parts.takes(field, 'index');
  const all = Array.from({ length: isNumbered || isOfSigns.test(parts.stem) ? boxes : 1 }, (_, index): Inside => ({
    component: field,
    ...(isNumbered ? { properties: { index } } : {}),
  }));
  // What is drawn around the field may be drawn by its group alone.
  const [group, items] = [parts.own('group'), parts.own('items')];
  const whole = parts.whole(field);
  const ways = [
    // A field that is put together of parts itself draws nothing without them.
    ...(whole ? fields(whole).map(({ inside }) => [{ component: field, inside }]) : []),
    // What was taken stands before the box.
    ...(items === undefined ? [] : [nest([control], [{ component: items }, ...all])]),
    nest([control], all),
    all,
    ...(group === undefined ? [] : [nest([group], all)]),
  ];
  return ways.map((inside) => ({ inside }));
}

/** Drawn by a function that has to be given, which is told all that a box to type into takes. */
function rendered(parts: Parts): PutTogether[] {
  return parts.renderers().map(({ at, component }) => ({ inside: [{ component, at, given: true }] }));
}

function marks(parts: Parts): PutTogether[] {
  const hidden = alone(parts.own('hidden'));
  const [mark, control, content] = [parts.own('mark'), parts.own('control'), parts.own('content')];
  const whole = nest([content, control, mark === control ? undefined : mark], boxMarks);
  return [
    // What is pressed may be the content alone.
    ...(content === undefined || control === undefined ? [] : [{ inside: [...whole, ...hidden] }]),
    ...(mark === undefined
      ? []
      : [{ inside: [...nest([mark === control ? undefined : control, mark], boxMarks), ...hidden] }]),
    ...(control === undefined ? [] : [{ inside: [...nest([control], boxMarks), ...hidden] }]),
    { inside: boxMarks },
  ];
}
