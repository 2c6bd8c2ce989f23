/** @jest-environment jsdom */
import { consoleText, isOfAge, isOfItself, isOfRefused, watch } from '../src/watch.js';

describe('a watch over the page', () => {
  it('hears what is warned of while it is open, each once', () => {
    const silent = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
    const watching = watch();
    console.warn('The %s is out', 'tide');
    console.warn('The %s is out', 'tide');
    expect(watching.warnings).toEqual(['The tide is out']);
    watching.stop();
    console.warn('later');
    expect(watching.warnings).toHaveLength(1);
    silent.mockRestore();
  });
  it('counts the listeners that stay on the page, and no others', () => {
    const watching = watch();
    const heard = (): void => undefined;
    // The test's own window has a method of its own in place of the page's, so the root element stands for it.
    document.documentElement.addEventListener('resize', heard);
    document.documentElement.addEventListener('resize', heard);
    document.addEventListener('click', heard, true);
    document.body.addEventListener('click', heard, { once: true });
    document.createElement('i').addEventListener('click', heard);
    expect(watching.listeners()).toBe(2);
    document.removeEventListener('click', heard);
    expect(watching.listeners()).toBe(2);
    document.removeEventListener('click', heard, true);
    document.documentElement.removeEventListener('resize', heard);
    expect(watching.listeners()).toBe(0);
    watching.stop();
  });
  it('takes a listener whose options are none as one', () => {
    const watching = watch();
    const heard = (): void => undefined;
    document.addEventListener('click', heard, null as unknown as undefined);
    expect(watching.listeners()).toBe(1);
    document.removeEventListener('click', heard, null as unknown as undefined);
    expect(watching.listeners()).toBe(0);
    watching.stop();
  });
  it('knows what only tells that an address did not answer to which nothing gets through', () => {
    const watching = watch();
    expect(watching.refused).toEqual([]);
    const refuse = (blockedURI: string): void => {
      window.dispatchEvent(Object.assign(new Event('securitypolicyviolation'), { blockedURI }));
    };
    refuse('inline');
    refuse('https://tide.test/words.json');
    refuse('https://tide.test/words.json');
    const { refused } = watching;
    expect(refused).toEqual(['https://tide.test/words.json']);
    expect(isOfRefused('No words at https://tide.test/words.json', refused)).toBe(true);
    expect(isOfRefused('TypeError: Failed to fetch', refused)).toBe(true);
    expect(isOfRefused('The icon failed to load', refused)).toBe(true);
    expect(isOfRefused('The icon failed to load', [])).toBe(false);
    expect(isOfRefused('A key is missing', refused)).toBe(false);
    watching.stop();
  });
  it('counts those no more that a signal took away', () => {
    const watching = watch();
    const before = watching.listeners();
    const [stays, goes] = [new AbortController(), new AbortController()];
    for (const { signal } of [stays, goes]) document.addEventListener('click', () => undefined, { signal });
    expect(watching.listeners()).toBe(before + 2);
    goes.abort();
    document.addEventListener('click', () => undefined, { signal: goes.signal });
    expect(watching.listeners()).toBe(before + 1);
    stays.abort();
    expect(watching.listeners()).toBe(before);
    watching.stop();
  });
});

const circle: Record<string, unknown> = {};
circle['round'] = circle;
it.each([
  [['plain'], 'plain'],
  [['%s and %d', 'a', 2, 'more'], 'a and 2 more'],
  [[new Error('broken')], 'broken'],
  [[{ message: 'gone' }, { tide: 'out' }], 'gone {"tide":"out"}'],
  [[circle], 'round'],
  [['over\n  lines'], 'over lines'],
])('console arguments are one text, case %#', (args, text) => expect(consoleText(args)).toBe(text));

it.each([
  ['Warning: Tide: Support for defaultProps will be removed from function components in a future major release.', true],
  ['Warning: componentWillReceiveProps has been renamed, and is not recommended for use.', true],
  ['Warning: findDOMNode is deprecated and will be removed in the next major release.', true],
  ['Warning: Legacy context API has been detected within a strict-mode tree.', true],
  ['Tide: the property `moored` will be removed in the next major release.', false],
  ['Warning: Failed prop type: `defaultProps` are not given.', false],
])('%s is told of every use alike: %s', (text, isSo) => {
  expect(isOfAge(text)).toBe(isSo);
});

it.each([
  ['Warning: React does not recognize the `isMoored` prop on a DOM element.', true],
  ['styled-components: it looks like an unknown prop "tide" is being sent through to the DOM', true],
  ['Warning: Received `true` for a non-boolean attribute `inert`.', true],
  // What the adapter gives it could leave out.
  ['Warning: React does not recognize the `quay` prop on a DOM element.', false],
  ['There is no harbour.', false],
])('%s is of its own making: %s', (text, isSo) => {
  const adapter = { input: 'tide#Box', value: { property: 'value' }, change: { report: 'onChange', path: '/0' } };
  expect(isOfItself(text, { ...adapter, focus: { by: 'element' }, constants: { quay: 1 } })).toBe(isSo);
});
