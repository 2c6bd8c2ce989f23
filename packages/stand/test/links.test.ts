/** @jest-environment jsdom */
import { linkMap } from '../src/links.js';
import { servedDifferences } from '../src/served.js';

const page = (html: string): HTMLElement => {
  document.body.innerHTML = html;
  return document.body;
};
const kinds = (html: string): string[] => linkMap(page(html)).breaks.map(({ kind }) => kind);

describe('the links of a page', () => {
  it('are labels, names, descriptions, legends and the summary’s ways to the fields', () => {
    const { links, breaks, controls } = linkMap(
      page(`<ul><li><a href="#port">Port</a></li></ul>
        <fieldset><legend>Landing</legend>
          <label id="l" for="port">Port</label><input id="port" aria-describedby="hint">
          <p id="hint">Where it lands</p>
          <div role="group" aria-labelledby="l"><label>Deck <input type="checkbox"></label></div>
        </fieldset>`),
    );
    expect(breaks).toEqual([]);
    expect(links.map(({ by }) => by).sort()).toEqual(
      ['described by', 'error summary', 'label', 'label', 'legend', 'named by'].sort(),
    );
    expect(controls.map(({ role, name, description }) => [role, name, description])).toEqual([
      ['textbox', 'Port', 'Where it lands'],
      ['checkbox', 'Deck', ''],
    ]);
  });
  it.each([
    ['an id twice', '<label for="a">A</label><input id="a"><label>B<input id="a"></label>', ['id twice']],
    ['a label to nothing', '<label for="gone">A</label><input aria-label="A">', ['label to nothing']],
    ['a label that has nothing', '<label>A</label>', ['label to nothing']],
    ['a label to what takes none', '<label for="a">A</label><div id="a"></div>', ['label to what takes none']],
    ['a label to a hidden element', '<label for="a">A</label><input id="a" hidden>', ['label to hidden']],
    ['an id with a space', '<label for="a b">A</label><input id="a b">', ['id with a space']],
    ['labels inside labels', '<label for="a">A <label for="a">B</label></label><input id="a">', ['labels nested']],
    ['a description of nothing', '<input aria-label="A" aria-describedby="gone">', ['reference to nothing']],
    ['a control without a name', '<input>', ['no name']],
    ['a group without a legend', '<fieldset><input aria-label="A"></fieldset>', ['legend missing']],
  ])('%s is found', (_, html, wanted) => expect(kinds(html)).toEqual(wanted));
  it('say where and what to do', () => {
    const [first] = linkMap(page('<input name="deck">')).breaks;
    expect(first?.where).toBe('<input>[name=deck]');
    expect(first?.says).toContain('textbox has no name');
    expect(first?.advice).toContain('Link a label');
  });
});

describe('what the server drew, beside what the browser has', () => {
  const draw = (html: string): HTMLElement => {
    const box = document.createElement('div');
    box.innerHTML = html;
    return box;
  };
  const differences = (served: string, living: string): string[] =>
    servedDifferences(draw(served), draw(living)).map(({ kind, where }) => `${kind} ${where}`);
  it.each([
    ['the same', '<input id="a">', '<input id="a">', []],
    ['an id invented anew', '<input id="rc-1">', '<input id="rc-2">', ['id invented anew <input>#rc-2']],
    [
      'a label that points elsewhere',
      '<p><label for="a">A</label><input id="a"></p>',
      '<p><label for="b">A</label><input id="a"></p>',
      ['server and browser differ <label> “A”'],
    ],
    ['another element', '<p><b>1</b></p>', '<p><i>1</i></p>', ['server and browser differ <p> “1”']],
    ['what an element draws itself', '<tide-box></tide-box>', '<tide-box role="group"><b>1</b></tide-box>', []],
  ])('%s', (_, served, living, wanted) => expect(differences(served, living)).toEqual(wanted));
});

describe('what the map says beside the breaks', () => {
  const field = (base: string, name: string, inner: string): string =>
    `<div class="poietra-field"><label id="${base}-${name}-label" for="${base}-${name}-input">${name}</label>${inner}</div>`;
  const form = (base: string): string =>
    `<form><fieldset><legend>Consignor</legend>${field(base, 'name', `<input id="${base}-name-input">`)}
      ${field(base, 'day', `<input id="${base}-day-input"><button aria-label="Open"></button>`)}</fieldset></form>`;
  it('which copy and group a control is of, its label, and the parts of one widget', () => {
    const { controls, breaks } = linkMap(page(form('p1') + form('p2')));
    expect(breaks).toEqual([]);
    expect(
      controls.map(({ copy, groups, label, role, partOf }) => [copy, groups.join(), label, role, partOf?.id]),
    ).toEqual([
      [1, 'Consignor', 'name', 'textbox', undefined],
      [1, 'Consignor', 'day', 'textbox', undefined],
      [1, 'Consignor', '', 'button', 'p1-day-input'],
      [2, 'Consignor', 'name', 'textbox', undefined],
      [2, 'Consignor', 'day', 'textbox', undefined],
      [2, 'Consignor', '', 'button', 'p2-day-input'],
    ]);
  });
  it('how many ids there are, what they begin with, and which a selector has to escape', () => {
    expect(linkMap(page(form('p1') + form('p2'))).ids).toEqual({ count: 8, bases: ['p1', 'p2'], escaped: [] });
    expect(linkMap(page('<i id=":r1:"></i><i id="1a"></i><i id="-"></i><i id="-a"></i><i id="é"></i>')).ids).toEqual({
      count: 5,
      bases: [],
      escaped: [':r1:', '1a', '-'],
    });
  });
});
