/** @jest-environment jsdom */
import { codecsOf, compileSchema, makePlan, openForm, type Form, type HintsBeside } from '@poietra/core';
import { act, type ReactNode } from 'react';
import type { Root } from 'react-dom/client';
import { PlannedForm, suiteSkin, type Skin, type SuiteParts } from '../src/index.js';
import { onPage } from './on-page.js';

let root: Root;
let host: HTMLElement;
onPage((...place) => ([host, root] = place));

const schema = {
  type: 'object',
  required: ['from'],
  properties: {
    from: { type: 'string', description: 'Where it begins.' },
    deck: { type: 'object', properties: { level: { type: 'integer' } } },
    stops: { type: 'array', items: { type: 'string' } },
  },
};
function open(skins: Readonly<Record<string, Skin>>, skin: Skin | undefined, hints: HintsBeside = {}): Form {
  const compiled = compileSchema(schema);
  const plan = makePlan(compiled, hints);
  const form = openForm({ schema, compiled, codecs: codecsOf(plan.root) });
  const send = () => Promise.resolve({ kind: 'accepted' as const, answer: undefined });
  act(() => root.render(<PlannedForm form={form} plan={plan} skins={skins} {...(skin ? { skin } : {})} send={send} />));
  return form;
}
/** A component of a suite, as one that shows what it is given, and as what. */
const part = (tag: string) =>
  function Part({ children, heading, press, kind }: Record<string, ReactNode>): ReactNode {
    return (
      <div data-part={tag} data-kind={kind} onClick={press as never}>
        {heading}
        {children}
      </div>
    );
  };
const all: SuiteParts = {
  parts: {
    label: { component: 'label', names: { htmlFor: 'htmlFor' }, properties: { title: 'of the suite' } },
    mark: { component: part('mark') },
    hint: { component: part('hint') },
    message: { component: part('message') },
    group: { component: part('group'), names: { title: 'heading' } },
    list: { component: part('list'), names: { title: '' } },
    button: { component: part('button'), names: { onClick: 'press', type: 'kind' } },
    summary: { component: part('summary') },
  },
};
const parts = (name: string): Element[] => [...host.querySelectorAll(`[data-part=${name}]`)];

/** Ids that something leads to, and nothing has. */
const lost = (): string[] =>
  ['for', 'aria-labelledby', 'aria-describedby'].flatMap((name) =>
    [...host.querySelectorAll(`[${name}]`)].flatMap((one) =>
      (one.getAttribute(name) ?? '').split(' ').filter((id) => !document.getElementById(id)),
    ),
  );

describe('a skin with parts of a suite', () => {
  it('draws each of them where HTML’s own would stand, and breaks no link', async () => {
    const form = open({}, suiteSkin(all));
    expect(host.querySelectorAll('label[title]')).toHaveLength(2);
    expect(parts('mark').map(({ textContent }) => textContent)).toEqual(['(required)']);
    expect(parts('hint').map(({ textContent }) => textContent)).toEqual(['Where it begins.']);
    expect(parts('group').map(({ textContent }) => textContent)).toEqual(['DeckLevel']);
    expect(parts('list')[0]?.firstElementChild?.textContent).toBe('Stops');
    expect(host.querySelector('button, fieldset')).toBeNull();
    await act(() => form.submit(() => Promise.resolve({ kind: 'accepted', answer: undefined })));
    expect(parts('message').map(({ textContent }) => textContent)).toEqual(['Is needed.']);
    expect(parts('summary')).toHaveLength(1);
    expect(lost()).toEqual([]);
  });
  it('puts no label into the label that a box draws itself', () => {
    const Box = ({ children, label, labelId }: Record<string, ReactNode>): ReactNode => (
      <div>
        <label htmlFor={labelId as string}>{label}</label>
        {children}
      </div>
    );
    open({}, suiteSkin({ box: Box, label: 'label', labelFor: 'labelId' }));
    expect(host.querySelector('label label')).toBeNull();
    expect([...host.querySelectorAll('label')].map(({ control }) => control?.tagName)).toEqual(['INPUT', 'INPUT']);
    expect(lost()).toEqual([]);
  });
  it('forgets nothing of a label that was meant for a box which is not there', () => {
    open(
      {},
      suiteSkin({ label: 'label', labelFor: 'labelId', required: 'needed', properties: () => ({ size: 'small' }) }),
    );
    const [first] = host.querySelectorAll('label');
    expect(first?.textContent).toBe('From (required)');
    expect(first?.control?.tagName).toBe('INPUT');
    expect(host.querySelector('[labelId], [size]')).toBeNull();
  });
  it('tells its buttons by their own names', () => {
    const form = open({}, suiteSkin(all));
    const add = parts('button').find(({ textContent }) => /Add/.test(textContent));
    expect(add?.getAttribute('data-kind')).toBe('button');
    act(() => (add as HTMLElement).click());
    expect(form.list('/stops').length).toBe(1);
    expect(parts('button').at(-1)?.getAttribute('data-kind')).toBe('submit');
  });
  it('stands in what it needs around it', () => {
    open({}, suiteSkin({ ...all, around: [{ component: part('theme') }] }));
    expect(parts('theme').some((one) => one.querySelector('[data-part=hint]'))).toBe(true);
    expect(parts('group')[0]?.parentElement?.matches('[data-part=theme]')).toBe(true);
  });
  it('is that of a section, where its hint says so, and of all that stands in it', () => {
    open({ desk: suiteSkin(all) }, undefined, { '/properties/deck': { skin: 'desk' } });
    expect(parts('group')).toHaveLength(1);
    expect([...host.querySelectorAll('label[title]')].map(({ textContent }) => textContent)).toEqual(['Level']);
    expect(host.querySelector('button')).not.toBeNull();
  });
});
