/** @jest-environment jsdom */
import { doubleId } from '../src/double-id.js';

const twice = (drawn: string): string | undefined => {
  document.body.innerHTML = `${drawn}${drawn}`;
  return doubleId();
};

it.each([
  ['an element', '<input id="port">', 'port'],
  ['a drawing', '<svg id="star"><path /></svg>', 'star'],
  ['a path that an attribute paints with', '<svg><g id="ink"/><path fill="url(#ink)"/></svg>', 'ink'],
  ['a title that names its drawing', '<svg aria-labelledby="a name"><title id="name">Torsund</title></svg>', 'name'],
  ['a shape that is used', '<svg><path id="dot"/><use href="#dot"/></svg>', 'dot'],
  ['a path to which nothing leads', '<svg><path id="stroke1" /></svg>', undefined],
  ['what is hidden and empty, by which a page is found', '<span hidden id="env"></span>', undefined],
  ['what is hidden and says something', '<span hidden id="hint">As on the manifest</span>', 'hint'],
  ['a sheet, as a provider draws it', '<style id="colours">.a {}</style>', undefined],
  ['no id at all', '<input id=""><i></i>', undefined],
])('an id of %s', (_, drawn, id) => expect(twice(drawn)).toBe(id));
