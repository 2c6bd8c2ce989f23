import type { AdapterDescription, ChoicesUse, Focus } from './description.js';
import type { DeclaredProperty, Finding, FoundInput } from './face.js';
import { alike, choiceLists } from './name-pairs.js';
import { guessedPair, hearsEvents, pairOf, type Pair } from './pair.js';

/** Properties for the id of the element inside that takes the focus. */
const innerIds = ['inputId', 'controlId'];

interface Drafted {
  readonly adapter: AdapterDescription;
  readonly findings: readonly Finding[];
}

/**
 * The adapter that an input's declarations speak for, with a finding for every part of it.
 * `undefined` where no pair of value and change report can be made out.
 */
export function draftAdapter(input: FoundInput): Drafted | undefined {
  const pair = pairOf(input);
  return pair && draftWith(input, pair);
}

/**
 * The same of what was passed over, where a person says that it is an input: of value and report it is a guess, to be
 * mended. `undefined` where it declares no property at all.
 */
export function draftByHand(input: FoundInput): Drafted | undefined {
  const pair = guessedPair(input);
  return pair && draftWith(input, pair);
}

function draftWith(input: FoundInput, pair: Pair): Drafted {
  const findings: Finding[] = [];
  const note = (about: Finding['about'], says: string, evidence: string, certainty: number): void => {
    findings.push({ about, says, evidence, from: 'declared', certainty });
  };
  const byName = new Map(input.properties.map((property) => [property.name, property]));
  const { value, report, path, because } = pair;
  note(
    'value',
    `Its value goes in through “${value.name}”.`,
    `It declares ${value.name}: ${value.type}.`,
    pair.certainty,
  );
  note('change', `It reports changes through “${report}”.`, because, pair.certainty);

  const place = (
    about: 'disabled' | 'readOnly' | 'required' | 'id',
    names: readonly string[],
  ): { property: string } | undefined => {
    const found = names
      .map((name) => byName.get(name))
      .find((property) => property !== undefined && (about === 'id' || mayBeOn(property.type)));
    if (found)
      note(
        about,
        `${about === 'id' ? 'The id goes' : `“${about}” is told`} through “${found.name}”.`,
        `It declares ${found.name}: ${found.type}.`,
        0.9,
      );
    return found && { property: found.name };
  };
  const { links = [] } = input;
  const native = input.family === 'native';
  const start = input.properties.find(
    ({ name, type }) =>
      /^(default|initial)(Month|Date|View)$/.test(name) &&
      (alike(type, value.type) || (mayBeDate(type) && mayBeDate(value.type))) &&
      name !== 'defaultDate',
  )?.name;
  if (start !== undefined)
    note(
      'value',
      `It opens at its first value through “${start}”.`,
      `It declares ${start}: ${byName.get(start)?.type ?? ''}.`,
      0.8,
    );
  const disabled = place('disabled', ['disabled', 'isDisabled']);
  const readOnly = place('readOnly', ['readOnly', 'readonly', 'isReadOnly']);
  const required = place('required', ['required', 'isRequired', 'ariaRequired']);
  // An id that a component declares itself often goes to its outermost box; only HTML's own is sure to reach the input.
  const ownId = byName.get('id');
  const id = place('id', native || ownId?.inherited ? [...innerIds, 'id'] : innerIds);
  // One that has to be given is missed as soon as it is drawn.
  const ownIds = input.properties.find(({ name, required }) => required && name === 'id' && id?.property !== name);
  if (ownIds) note('ownIds', 'It makes its own ids of “id”.', 'It declares that it has to be given.', 0.7);
  const leaveName = hearsEvents(input)
    ? input.events.find(({ name }) => /(^|-)blur$/.test(name))?.name
    : native || byName.has('onBlur')
      ? 'onBlur'
      : undefined;
  if (leaveName !== undefined)
    note('leave', `Leaving is reported through “${leaveName}”.`, `It declares ${leaveName}.`, 0.9);
  const invalidName = ['invalid', 'isInvalid', 'error', 'aria-invalid'].find((name) => byName.has(name));
  // Where only words fit, they are those of what is to be mended; “true” would be read out.
  const takesWords = invalidName === 'error' && isText(byName.get('error')?.type ?? '');
  if (takesWords)
    note('message', 'It draws what is to be mended itself, from “error”.', 'It declares error, a text.', 0.7);
  else if (invalidName !== undefined)
    note('invalid', `“Invalid” is told through “${invalidName}”.`, `It declares ${invalidName}.`, 0.7);
  const focus = focusOf(input, id !== undefined);
  note(
    'focus',
    focusWords(focus),
    focus.by === 'handle' ? `It declares a method ${focus.method}.` : 'Nothing else is declared.',
    focus.by === 'inner' ? 0.4 : 0.8,
  );
  // Some spell ARIA's names as properties of their own.
  const linkOf = (name: string): string | undefined =>
    links.find((one) => one === `aria-${name}`) ??
    [...byName.keys()].find((one) => one.toLowerCase() === `aria${name}`);
  const describedBy = native ? 'aria-describedby' : linkOf('describedby');
  const labelledBy = linkOf('labelledby');
  const choices = choicesOf(input, value.name);
  if (choices) note('choices', choiceWords(choices), choiceEvidence(choices), 0.85);
  const constants = constantsFor(value, input, [value.name, choices && 'property' in choices ? choices.property : '']);
  if (constants)
    note(
      'constants',
      `It needs ${Object.entries(constants)
        .map(([name, set]) => `${name} = ${JSON.stringify(set)}`)
        .join(', ')}.`,
      'They have to be given, and nothing else says how.',
      0.7,
    );

  return {
    findings,
    adapter: {
      input: input.id,
      value: {
        property: value.name,
        ...(start === undefined ? {} : { start }),
        ...emptyFor(value),
      },
      change: { report, path },
      ...(leaveName === undefined ? {} : { leave: { report: leaveName } }),
      focus,
      ...(invalidName === undefined ? {} : { [takesWords ? 'message' : 'invalid']: { property: invalidName } }),
      ...(disabled ? { disabled } : {}),
      ...(readOnly ? { readOnly } : {}),
      ...(required ? { required } : {}),
      ...(id ? { id } : {}),
      ...(ownIds ? { ownIds: { property: ownIds.name } } : {}),
      ...(byName.has('name') || native ? { name: { property: 'name' } } : {}),
      ...(describedBy === undefined ? {} : { describedBy: { property: describedBy } }),
      ...(labelledBy === undefined ? {} : { labelledBy: { property: labelledBy } }),
      ...(byName.has('placeholder') ? { placeholder: { property: 'placeholder' } } : {}),
      ...(constants ? { constants } : {}),
      ...(choices ? { choices } : {}),
      ...(input.widget ? { widget: input.widget } : {}),
    },
  };
}

/** Whether yes or no may fit: a list says which of many are meant, and a function says it of each. */
const mayBeOn = (type: string): boolean =>
  !type
    .split(/\s*\|\s*/)
    .filter((one) => !/^(undefined|null)$/.test(one))
    .every((one) => /\[\]\)?$|Array<|=>/.test(one));
/** Whether a text fits a type, and nothing else. */
const isText = (type: string): boolean => /^(string|undefined|null|\s|\|)+$/.test(type) && type.includes('string');

/** What it takes for “no value”, as far as its type says: a list has none in it, a text none of its signs. */
function emptyFor({ name, type }: DeclaredProperty): { readonly empty?: unknown } {
  const kinds = type.split('|').map((one) => one.trim().replace(/^readonly /, ''));
  // One number where there may be several is what a field has.
  if (kinds.includes('number') && kinds.includes('number[]')) return {};
  if (!kinds.includes('string') && kinds.some((one) => /^[^(]*\[\]$|^(Readonly)?Array</.test(one)))
    return { empty: [] };
  return /\bstring\b/.test(type) && name === 'value' ? { empty: '' } : {};
}

function focusOf(input: FoundInput, hasId: boolean): Focus {
  if (input.family === 'native') return { by: 'element' };
  if (input.methods.includes('focus')) return { by: 'handle', method: 'focus' };
  return hasId ? { by: 'element' } : { by: 'inner', selector: '[tabindex="0"], input, button, select, textarea' };
}

/** How the focus is put, in words. */
export function focusWords(focus: Focus): string {
  if (focus.by === 'element') return 'The focus goes to the element itself.';
  return focus.by === 'handle'
    ? `The focus is given by its method “${focus.method}”.`
    : `The focus goes to the first “${focus.selector}” inside.`;
}

/** A property whose type is one text decides how the value looks; what else has to be given gets the plainest value. */
function constantsFor(
  value: DeclaredProperty,
  { properties }: FoundInput,
  taken: readonly string[],
): Record<string, unknown> | undefined {
  const needs = /^(.*) where (\w+) = "(\w+)"$/.exec(value.type);
  const constants: Record<string, unknown> = {};
  for (const { name, sample, inherited } of properties) {
    // A listener that has to be given, whatever it is declared as, is none that the input needs to be of use.
    const isGiven = givenElsewhere.has(name) || /^on[A-Z]/.test(name);
    if (sample !== undefined && !inherited && !taken.includes(name) && !isGiven) constants[name] = sample;
  }
  if (needs) constants[needs[2] as string] = needs[3];
  return Object.keys(constants).length > 0 ? constants : undefined;
}

/** What a field gives, and what would make another element of it: an empty text there is worse than none. */
const givenElsewhere = new Set(['id', 'name', 'href']);

function choiceWords(choices: ChoicesUse): string {
  if ('property' in choices) return `The values to choose from go in through “${choices.property}”.`;
  return 'tag' in choices
    ? `The values to choose from are <${choices.tag}> elements inside.`
    : `The values to choose from are components inside, ${choices.component}.`;
}
function choiceEvidence(choices: ChoicesUse): string {
  if ('property' in choices)
    return choices.takes === 'words'
      ? `It declares ${choices.property}, a list of texts.`
      : `It declares ${choices.property}, a list; its items have ${choices.value} and ${choices.text}.`;
  return 'tag' in choices
    ? choices.tag === 'option'
      ? 'It takes what HTML’s own list of options takes.'
      : `The package has an element of that name, with ${choices.value}.`
    : `The package has a component of that name, with ${choices.value} and ${choices.text}.`;
}

const valueMembers = ['value', 'id', 'key'];
const textMembers = ['label', 'text', 'title', 'name', 'content', 'children'];

/** The same with a word before it: `optionLabel`, `inputDisplay`. */
const saysText = /^[a-z]+(Label|Text|Title|Display)$/;

/** A list of texts and nothing else: the words are all that there is of a choice. */
const areTexts = /^((readonly )?string\[\]|(Readonly)?Array<string>)( \| (undefined|null))*$/;

/** A list of whatever may be a choice, texts among it. */
const mayBeTexts = /^(readonly )?\(([^()[\]]+ \| )?string( \| [^()[\]]+)?\)\[\]/;

/** Where the values to choose from go, where names of general use say so. */
function choicesOf({ properties, item, choiceItem, list }: FoundInput, held: string): ChoicesUse | undefined {
  // What is held by its key or its id is chosen by that, whatever else a choice has.
  const [, first] = /^(id)s?(?:[A-Z]|$)/.exec(held) ?? /([Kk]ey|Id)s?$/.exec(held) ?? [];
  const ranked = first === undefined ? valueMembers : [first.toLowerCase(), ...valueMembers];
  const lists = properties.filter(({ name }) => choiceLists.test(name));
  // What its maker advises against comes last.
  const usual = [...lists.filter(({ deprecated }) => !deprecated), ...lists.filter(({ deprecated }) => deprecated)];
  for (const { name, type, members = [] } of usual) {
    const value = ranked.find((one) => members.includes(one));
    const text = textMembers.find((one) => members.includes(one)) ?? members.find((one) => saysText.test(one));
    if (value !== undefined && text !== undefined) return { property: name, value, text };
    // An element for each choice says more than a list of whatever it may be: that is what the element finds inside itself.
    if (item && item.tag !== 'option') continue;
    if (areTexts.test(type) || mayBeTexts.test(type))
      return { property: name, value: 'value', text: 'label', takes: 'words' };
    // Items of a type that is left open take what most lists take.
    if (members.length === 0 && /\[\]|Array|Options\w*</.test(type) && !/string\[\]|number\[\]/.test(type))
      return ranked[0] === 'key'
        ? { property: name, value: 'key', text: 'text' }
        : { property: name, value: ranked[0] ?? 'value', text: 'label' };
  }
  if (list) return { ...list, value: 'value', text: 'label' };
  if (item) return { tag: item.tag, value: 'value', ...(item.text === undefined ? {} : { text: item.text }) };
  return choiceItem;
}

/** A list of dates, or a text that is read as one, is nothing to open at. */
const mayBeDate = (type: string): boolean => type.split('|').some((part) => /^\s*(Date|any|unknown)\s*$/.test(part));
