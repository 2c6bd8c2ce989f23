/** @jest-environment jsdom */
import {
  compileSchema,
  language,
  loadWords,
  makePlan,
  openPlan,
  type DrawnWords,
  type Form,
  type Words,
} from '@poietra/core';
import { act } from 'react';
import type { Root } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { PlannedForm } from '../src/index.js';
import { fieldWords } from '../src/words/field-words.js';
import { mendingWords } from '../src/words/mending-words.js';
import { choiceWords } from '../src/words/choice-words.js';
import { entryWords } from '../src/words/entry-words.js';
import { fileWords } from '../src/words/file-words.js';
import { memberWords } from '../src/words/member-words.js';
import { stepWords } from '../src/words/step-words.js';
import { sendingWords } from '../../core/src/plan/send.js';
import { onPage } from './on-page.js';

let root: Root;
let host: HTMLElement;
onPage((...place) => ([host, root] = place));
const { number } = language('en');

/** Each capability that says something, with labels that are no words of any language. */
const schema = {
  type: 'object',
  required: ['a'],
  properties: {
    a: { title: 'Aa', type: 'string', deprecated: true },
    b: { title: 'Bb', type: 'array', maxItems: 2, items: { title: 'Cc', type: 'string', minLength: 3 } },
    d: { title: 'Dd', type: 'object', additionalProperties: { type: 'string' } },
    e: {
      title: 'Ee',
      oneOf: [
        { title: 'E1', type: 'string' },
        { title: 'E2', type: 'integer' },
      ],
    },
    f: { title: 'Ff', enum: Array.from({ length: 20 }, (_, i) => `f${number(i)}`) },
    g: { title: 'Gg', type: 'string', contentEncoding: 'base64' },
    j: { title: 'Jj', enum: [true, false, null] },
    k: { title: 'Kk', enum: [1, 2, 3, 4, 5, null] },
    h: {
      title: 'Hh',
      type: 'array',
      'x-poietra': { layout: 'table' },
      items: { type: 'object', required: ['i'], properties: { i: { title: 'Ii', type: 'string' } } },
    },
  },
};
const values = { b: ['x', 'xxxx'], d: { own: '1' }, h: [{}], e: 'E' };
const open = (words: Words | undefined, of: object = schema): { form: Form; plan: ReturnType<typeof makePlan> } => {
  const plan = makePlan(compileSchema(of));
  return { plan, form: openPlan(plan, { values, words }) };
};
/** Every text and every name that a person reads or hears. */
function said(): string[] {
  const names = ['aria-label', 'title', 'placeholder'];
  const texts = [...host.querySelectorAll('*')].flatMap((one) => [
    ...[...one.childNodes].flatMap((node) => (node.nodeType === Node.TEXT_NODE ? [node.textContent ?? ''] : [])),
    ...names.map((name) => one.getAttribute(name) ?? ''),
  ]);
  return texts.filter((text) => /\p{L}{2}/u.test(text));
}

it('the English pieces are, together, every word of the catalogue', async () => {
  const german = await loadWords('de');
  const pieces = {
    ...fieldWords,
    ...mendingWords,
    ...entryWords,
    ...memberWords,
    ...choiceWords,
    ...fileWords,
    ...stepWords,
    ...sendingWords,
  } satisfies DrawnWords;
  expect(Object.keys(pieces).sort()).toEqual(Object.keys(german?.drawn ?? {}).sort());
});

it.each(['de', 'nb'])('nothing English is left in %s, wherever one presses', async (tag) => {
  const { form, plan } = open(undefined);
  act(() => root.render(<PlannedForm form={form} plan={plan} send={accept} />));
  await act(async () => form.submit(accept));
  const english = new Set(said());
  const words = await loadWords(tag);
  await act(() => Promise.resolve(form.speak(words)));
  const label = /^(Aa|Bb|Cc|Dd|Ee|E1|E2|Ff|f\d+|Gg|Hh|Ii|Jj|Kk|own|Own)(, .*)?( \d)?$/;
  // The one word that is the same.
  if (tag === 'nb') english.delete('Send');
  expect(said().filter((text) => english.has(text) && !label.test(text.trim()))).toEqual([]);
  const element = host.querySelector('form');
  expect([element?.lang, element?.dir]).toEqual([tag, 'ltr']);
});

it('yes, no and nothing are said as choices, too; what somebody has given words keeps them', async () => {
  const words = await loadWords('de');
  const own = {
    type: 'object',
    properties: { ask: { enum: [true, false], 'x-poietra': { words: { false: 'lieber nicht' } } } },
  };
  const { form, plan } = open(words, own);
  act(() => root.render(<PlannedForm form={form} plan={plan} />));
  const labels = (): string[] => [...host.querySelectorAll('[role=radiogroup] label')].map((one) => one.textContent);
  expect(labels()).toEqual(['ja', 'lieber nicht']);
  await act(() => Promise.resolve(form.speak(undefined)));
  expect(labels()).toEqual(['yes', 'lieber nicht']);
  const choices = [{ value: null, text: 'nothing' }];
  expect(words?.drawn.inWords(choices)).toEqual([{ value: null, text: 'nichts' }]);
  // The same list for the same choices: an input that compares what it is given is not drawn anew.
  expect(words?.drawn.inWords(choices)).toBe(words?.drawn.inWords(choices));
});

it('forms of several pages speak it, too, and a server draws it', async () => {
  const words = await loadWords('nb');
  const { form, plan } = open(words, { ...schema, 'x-poietra': { layout: 'steps' } });
  const markup = renderToString(<PlannedForm form={form} plan={plan} send={accept} />);
  expect(markup).toContain('lang="nb"');
  expect(markup).toContain('Neste');
  expect(markup).not.toMatch(/Next|Overview|Page \d/);
});

const accept = () => Promise.resolve({ kind: 'accepted' as const, answer: undefined });
