/** @jest-environment jsdom */
import type { SkinTask } from '@poietra/core';
import type { ReactNode } from 'react';
import { trySkinPart } from '../src/skin-trial.js';

const task = (part: SkinTask['part'], more: Partial<SkinTask> = {}): SkinTask => ({
  part,
  component: 'quay#Part',
  words: {},
  invalid: [],
  ids: [],
  opens: [],
  required: [],
  types: [],
  presses: [],
  sends: [],
  ...more,
});
type Given = Record<string, ReactNode> & { readonly onPress?: () => void; readonly kind?: 'button' | 'submit' };
const tried = (what: SkinTask, value: (given: Given) => ReactNode) =>
  trySkinPart(what, [], { 'quay#Part': { family: 'component', value } });

beforeAll(() => {
  // What the page of unit tests does not have: drawn is what stands there, and no style sheet adds words.
  Object.assign(Element.prototype, { checkVisibility: () => true });
  const real = getComputedStyle;
  jest.spyOn(window, 'getComputedStyle').mockImplementation((one) => real(one));
});

describe('trying a component as a part of a skin', () => {
  it('knows a button by what arrives of its press, its type and its name', async () => {
    const sound = ({ children, onPress, kind, ...rest }: Given): ReactNode => (
      <button type={kind} onClick={onPress} aria-label={rest['aria-label'] as string}>
        {children}
      </button>
    );
    const of = task('button', { presses: ['onPress'], types: ['kind'] });
    expect((await tried(of, sound)).button).toEqual({ press: 'onPress', type: 'kind', keepsName: true });
    const dead = ({ children }: Given): ReactNode => <button>{children}</button>;
    expect((await tried(of, dead)).button).toEqual({ keepsName: false });
  });
  it('knows a box by the words that it shows, its label, and how it looks where something is wrong', async () => {
    const of = task('box', {
      words: { label: ['label', 'aside'], error: ['message'] },
      invalid: [
        { name: 'quiet', value: true },
        { name: 'state', value: 'error' },
      ],
      ids: ['id', 'inputId'],
      required: ['needed'],
    });
    const sound = ({ children, label, message, inputId, state, needed }: Given): ReactNode => (
      <div style={{ color: state === 'error' ? 'red' : 'black' }}>
        <label htmlFor={inputId as string}>
          {label}
          {needed && ' *'}
        </label>
        {children}
        {message}
      </div>
    );
    expect(await tried(of, sound)).toMatchObject({
      inside: true,
      words: { label: ['label'], error: ['message'] },
      invalid: { name: 'state', value: 'error', seen: 'its color is another' },
      labelFor: 'inputId',
      required: 'needed',
    });
    const dead = await tried(of, () => <div />);
    expect(dead).toEqual({ part: 'box', component: 'quay#Part', inside: false, words: {} });
  });
  it('says why something cannot be drawn, and draws it in what has to stand around', async () => {
    let isAround = false;
    const needy = ({ children }: Given): ReactNode => {
      if (!isAround) throw new Error('No theme.');
      return <p>{children}</p>;
    };
    const Theme = ({ children }: Given): ReactNode => {
      isAround = true;
      return children;
    };
    jest.spyOn(console, 'error').mockImplementation(() => undefined);
    expect((await tried(task('hint'), needy)).failed).toBe('No theme.');
    const inputs = {
      'quay#Part': { family: 'component', value: needy },
      'quay#Theme': { family: 'component', value: Theme },
    } as const;
    const seen = await trySkinPart(task('hint'), [{ component: 'quay#Theme' }], inputs);
    expect(seen).toMatchObject({ inside: true, around: { component: 'quay#Theme' } });
  });
});
