import { draftSkin, skinTasks, type SeenPart, type SuiteComponent } from '../src/index.js';

const component = (name: string, ...properties: SuiteComponent['properties']): SuiteComponent => ({
  component: `quay#${name}`,
  properties,
});
const words = (name: string): SuiteComponent['properties'][number] => ({ name, type: 'ReactNode' });
const suite = [
  component('Calendar', words('label')),
  component(
    'FormField',
    words('label'),
    words('hint'),
    words('errorText'),
    { name: 'required', type: 'boolean' },
    {
      name: 'status',
      type: '"error" | "fine"',
      choices: ['error', 'fine'],
    },
  ),
  { component: 'quay/button.js#quay-button', properties: [{ name: 'onPress', type: '() => void' }] },
  component(
    'Button',
    { name: 'nativeKind', type: '"submit" | "button"', choices: ['submit', 'button'] },
    {
      name: 'look',
      type: '"primary" | "quiet"',
      choices: ['primary', 'quiet'],
    },
  ),
  { component: 'quay/alert.js#quay-alert', properties: [{ name: 'open', type: 'boolean' }] },
];
const seen = (part: SeenPart['part'], more: Partial<SeenPart> = {}): SeenPart => ({
  part,
  component: `quay#${part}`,
  inside: true,
  words: {},
  ...more,
});

describe('what of a suite is worth trying as a part of a skin', () => {
  const tasks = skinTasks(suite);
  it('goes by names, the general one first, elements by their tags', () => {
    expect(tasks.map(({ part, component: name }) => `${part} ${name}`)).toEqual([
      'box quay#FormField',
      'button quay#Button',
      'button quay/button.js#quay-button',
      'summary quay/alert.js#quay-alert',
    ]);
  });
  it('says which properties may take what', () => {
    expect(tasks[0]).toMatchObject({
      words: { label: ['label'], hint: ['hint'], error: ['errorText'] },
      invalid: [{ name: 'status', value: 'error' }],
      required: ['required'],
    });
    expect(tasks[1]).toMatchObject({ types: ['nativeKind'], sends: [{ name: 'look', value: 'primary' }] });
    expect(tasks[2]).toMatchObject({ presses: ['onPress'] });
    expect(tasks[3]).toMatchObject({ opens: ['open'] });
  });
});

describe('a skin from what was seen', () => {
  it('has of a box what showed words, and what made it look wrong', () => {
    const { skin, findings } = draftSkin([
      seen('box', {
        words: { label: ['label'], hint: ['help', 'extra'], error: ['help'] },
        invalid: { name: 'status', value: 'error', seen: 'its color is another' },
        required: 'isNeeded',
        labelFor: 'htmlFor',
      }),
    ]);
    // One property cannot take both.
    expect(skin).toEqual({
      component: 'quay#box',
      label: 'label',
      labelFor: 'htmlFor',
      hint: 'extra',
      error: 'help',
      required: 'isNeeded',
      invalid: { status: 'error' },
    });
    expect(findings).toContainEqual({
      part: 'box',
      says: 'It looks wrong with status = “error”.',
      evidence: 'With it its color is another.',
    });
  });
  it('tells a button by the names that worked, and the one that sends by its look', () => {
    const button = { press: 'onPress', type: 'nativeKind', keepsName: true, sends: { name: 'look', value: 'primary' } };
    const names = { onClick: 'onPress', type: 'nativeKind' };
    expect(draftSkin([seen('button', { button })]).skin.parts).toEqual({
      button: { component: 'quay#button', names },
      submit: { component: 'quay#button', names, properties: { look: 'primary' } },
    });
  });
  it('has a group without a place for its title begin with it, and a summary where its words were seen', () => {
    const { parts } = draftSkin([
      seen('group'),
      seen('summary', { inside: false, open: 'isOpen', words: { inside: ['text'] } }),
    ]).skin;
    expect(parts?.group?.names).toEqual({ title: '' });
    expect(parts?.summary).toEqual({
      component: 'quay#summary',
      names: { children: 'text' },
      properties: { isOpen: true },
    });
  });
  it('stands in what it needs around it', () => {
    const around = { component: 'quay#Theme' };
    expect(draftSkin([seen('label', { isLabel: true, around })]).skin).toEqual({
      around: [around],
      parts: { label: { component: 'quay#label', names: { htmlFor: 'htmlFor' } } },
    });
  });
  it.each<[string, SeenPart]>([
    ['could not be drawn', seen('label', { failed: 'no theme' })],
    ['was not seen', seen('hint', { inside: false })],
    ['takes no label', seen('box')],
    ['was not told', seen('button', { button: { keepsName: true } })],
    ['loses its name', seen('button', { button: { press: 'onClick', keepsName: false } })],
  ])('passes over what %s, and says so', (why, one) => {
    const { skin, passedOver } = draftSkin([one]);
    expect(skin).toEqual({});
    expect(passedOver[0]?.evidence).toContain(why);
  });
  it('takes the first that serves, and says which others there were', () => {
    const second = { ...seen('hint'), component: 'quay#Note' };
    const { skin, passedOver } = draftSkin([seen('hint'), second]);
    expect(skin.parts?.hint?.component).toBe('quay#hint');
    expect(passedOver).toMatchObject([{ says: 'quay#Note is not used.' }]);
  });
});
