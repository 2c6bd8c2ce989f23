/** @jest-environment jsdom */
import { GestureError, perform } from '../src/hands.js';
import { candidates, nameOf, roleOf, targetOf } from '../src/targets.js';

// The test's page has no layout: everything is drawn, and nothing is in the way of anything.
beforeAll(() => {
  Element.prototype.checkVisibility = () => true;
  Element.prototype.scrollIntoView = () => undefined;
  document.elementFromPoint = () => null;
  Element.prototype.getBoundingClientRect = () => ({ left: 0, top: 0, width: 20, height: 20 }) as DOMRect;
});
beforeEach(() => document.body.replaceChildren());

const box = (html: string): HTMLElement => {
  const place = document.createElement('div');
  place.innerHTML = html;
  document.body.append(place);
  return place;
};
const find = (place: Element, selector: string): HTMLElement => {
  const found = place.querySelector<HTMLElement>(selector);
  if (!found) throw new Error(selector);
  return found;
};
const doing = (...steps: Parameters<typeof perform>[1]['steps']) => ({ name: 'change', steps });

describe('an element is meant', () => {
  it('by its role, in one word', () => {
    const place = box(
      '<input><input type="range"><input type="file"><input type="color"><canvas></canvas><table><td>1</td></table><button></button>',
    );
    expect([...place.querySelectorAll('input, canvas, td, button')].map(roleOf)).toEqual([
      'textbox',
      'slider',
      'file',
      'color',
      'canvas',
      'cell',
      'button',
    ]);
  });
  it('by its name and number only where the role does not tell it apart', () => {
    const place = box('<input><button>Aldervik</button><button>Torsund</button><button>Torsund</button>');
    const [, second, third] = place.querySelectorAll<HTMLElement>('button');
    expect(targetOf(place, find(place, 'input'))).toEqual({ role: 'textbox' });
    expect(second && targetOf(place, second)).toEqual({ role: 'button', name: 'Torsund' });
    expect(third && targetOf(place, third)).toEqual({ role: 'button', name: 'Torsund', index: 1 });
  });
  it('by its tag where it has no role', () => {
    const place = box('<span>Torsund</span>');
    expect(targetOf(place, find(place, 'span'))).toEqual({ role: '<span>' });
  });
  it('a day by its number, so that the gesture holds next month', () =>
    expect(nameOf(find(box('<button aria-label="Sunday, November 15th, 2026">15</button>'), 'button'))).toBe('15'));
  it('inside the box first, then elsewhere on the page, where lists open', () => {
    const elsewhere = box('<button>Torsund</button>');
    const place = box('<button>Torsund</button>');
    expect(candidates(place, { role: 'button' }).map((one) => one.parentElement)).toEqual([place, elsewhere]);
  });
});

describe('a gesture is done', () => {
  it('by pressing, typing over what stands there, and choosing', async () => {
    const place = box('<input value="old"><select><option>A</option><option>B</option></select><button>Go</button>');
    const pressed = jest.fn();
    find(place, 'button').addEventListener('click', pressed);
    await perform(
      place,
      doing(
        { do: 'type', on: { role: 'textbox' }, text: 'a {b' },
        { do: 'press', on: { role: 'option', name: 'B' } },
        { do: 'press', on: { role: 'button', name: 'Go' } },
      ),
    );
    expect((find(place, 'input') as HTMLInputElement).value).toBe('a {b');
    expect((find(place, 'select') as HTMLSelectElement).value).toBe('B');
    expect(pressed).toHaveBeenCalledTimes(1);
  });
  it('by keys, with the old numbers that many inputs still look at', async () => {
    const place = box('<div role="slider" tabindex="0"></div>');
    const keys: unknown[] = [];
    find(place, 'div').addEventListener('keydown', (event) =>
      keys.push([event.key, (event as unknown as Record<string, unknown>)['keyCode']]),
    );
    await perform(place, doing({ do: 'key', on: { role: 'slider' }, key: 'ArrowRight' }));
    expect(keys).toEqual([['ArrowRight', 39]]);
    expect(document.activeElement).toBe(find(place, 'div'));
  });
  it('by setting what has no keys, and by handing over files', async () => {
    const place = box('<input type="range" min="0" max="100"><input type="file">');
    const told: string[] = [];
    place.addEventListener('input', ({ target }) => told.push((target as HTMLInputElement).type));
    await perform(
      place,
      doing(
        { do: 'set', on: { role: 'slider' }, value: '70' },
        { do: 'files', on: { role: 'file' }, names: ['manifest.txt'] },
      ),
    );
    expect((find(place, '[type=range]') as HTMLInputElement).value).toBe('70');
    expect((find(place, '[type=file]') as HTMLInputElement).files?.[0]?.name).toBe('manifest.txt');
    expect(told).toEqual(['range', 'file']);
  });
  it('with an element that comes a moment later', async () => {
    const place = box('');
    setTimeout(() => {
      place.innerHTML = '<button>Late</button>';
    }, 5);
    await expect(perform(place, doing({ do: 'press', on: { role: 'button', name: 'Late' } }))).resolves.toBeUndefined();
  });
  it('not on what is not there, nor on what is disabled or out of reach', async () => {
    const press = doing({ do: 'press', on: { role: 'button', name: 'Go' } });
    await expect(perform(box(''), press)).rejects.toThrow('There is no button “Go” to act on.');
    await expect(perform(box('<button disabled>Go</button>'), press)).rejects.toThrow(GestureError);
    document.body.replaceChildren();
    await expect(perform(box('<p inert><button>Go</button></p>'), press)).rejects.toThrow('is disabled');
  });
});
