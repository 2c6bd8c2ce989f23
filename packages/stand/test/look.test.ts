/** @jest-environment jsdom */
import { fullLook, look, lookDifference } from '../src/look.js';

const drawn = (html: string): HTMLElement => {
  const box = document.createElement('div');
  box.innerHTML = html;
  return box;
};

describe('what an input looks like', () => {
  it('is its values, marks and words', () => {
    const box = drawn(`
      <input value="Torsund"><textarea>two lines</textarea>
      <input type="checkbox" checked><select><option>A</option><option selected>B</option></select>
      <div role="slider" aria-valuenow="30" aria-valuetext="thirty"></div><button aria-pressed="true">Bold</button>`);
    expect(look(box).split('\n')).toEqual([
      'input "Torsund"',
      'textarea "two lines"',
      'input true',
      'select "B"',
      'div aria-valuenow=30 aria-valuetext=thirty',
      'button aria-pressed=true Bold',
    ]);
  });
  it('leaves out ids, announcements, hidden inputs, and marks that are not set', () => {
    expect(
      look(
        drawn(
          '<i id="x"></i><p aria-live="polite">chosen</p><input type="hidden" value="v"><b aria-selected="false">day</b>',
        ),
      ),
    ).toBe('b day');
  });
  it('is looked for in open shadow trees, too', () => {
    const box = drawn('<span></span>');
    const inner = box.querySelector('span')?.attachShadow({ mode: 'open' });
    if (inner) inner.innerHTML = '<input value="inside">';
    expect(look(box)).toBe('input "inside"');
  });
  it('has styles and classes where only they tell', () => {
    const [left, right] = [drawn('<i style="left: 3%"></i>'), drawn('<i style="left: 5%"></i>')];
    expect(look(left)).toBe(look(right));
    expect(fullLook(left)).not.toBe(fullLook(right));
    expect(fullLook(drawn('<i class="on"></i>'))).not.toBe(fullLook(drawn('<i></i>')));
  });
  it('is compared in words', () => {
    expect(lookDifference('input "a"\nb 1', 'input "b"\nb 1')).toBe('without “input "a"”, with “input "b"”');
    expect(lookDifference('a', 'a')).toBe('');
    expect(lookDifference('x'.repeat(300), '').length).toBeLessThan(120);
  });
});
