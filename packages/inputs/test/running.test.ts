/** Packages that declare no types show what they export when they run, in a process that can reach nothing. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { inspect } from '../src/index.js';
import { declared } from '../src/running/declare.js';
import { shownIn } from '../src/running/shown.js';
import { tellExports } from '../src/running/tell.js';
import { folder, found, install, names, put } from './planted-package.js';

const untyped = (script: string, manifest: object = { main: 'index.js' }): void => {
  install('tide', '', manifest);
  put('node_modules/tide/index.js', script);
};
const only = () => found()[0];

describe('a component', () => {
  it('is known by what it reads of its properties', () => {
    untyped(`
      exports.Level = function Level(props) {
        const { value, step = 1 } = props;
        return props.createElement('input', { value, step, onInput: (event) => props.onChange(event.target.value) });
      };
      exports.format = (depth) => depth + ' m';`);
    expect(names()).toEqual(['Level']);
    expect(only()?.adapter).toMatchObject({ value: { property: 'value' }, change: { report: 'onChange' } });
    expect(only()?.input.properties.map(({ name }) => name)).toEqual(['createElement', 'onChange', 'value', 'step']);
  });

  it('by the checks and defaults that it carries: kinds, choices, what is required', () => {
    untyped(`
      const takes = (...kinds) => (props, name) =>
        props[name] === undefined || kinds.includes(typeof props[name]) ? null : new Error('Invalid prop');
      const oneOf = (choices) => (props, name) =>
        choices.includes(props[name]) ? null : new Error('Invalid prop, expected one of ' + JSON.stringify(choices) + '.');
      class Gauge { render() { return null; } }
      Gauge.prototype.isReactComponent = {};
      Gauge.propTypes = { value: takes('number'), onChange: takes('function'), side: oneOf(['bow', 'stern']) };
      Gauge.defaultProps = { step: 2 };
      module.exports = Gauge;`);
    const { input, adapter } = only() ?? {};
    expect(input).toMatchObject({ id: 'tide#default', family: 'component' });
    expect(Object.fromEntries((input?.properties ?? []).map(({ name, type }) => [name, type]))).toMatchObject({
      value: expect.stringContaining('number') as string,
      side: '"bow" | "stern"',
      step: expect.stringContaining('number') as string,
    });
    expect(adapter).toMatchObject({ value: { property: 'value' }, change: { report: 'onChange' } });
  });

  it('by the checks that are left out of what is made for use', () => {
    untyped('exports.Gauge = () => null;', { exports: { development: './checked.js', default: './index.js' } });
    put(
      'node_modules/tide/checked.js',
      'const any = () => null; exports.Gauge = Object.assign(() => null, { propTypes: { value: any, onChange: any } });',
    );
    expect(only()?.adapter).toMatchObject({ value: { property: 'value' }, change: { report: 'onChange' } });
  });

  it('is found inside what wraps it', () => {
    untyped(`
      const Inner = ({ checked, onChange }) => jsx('button', { checked, onChange });
      exports.Flag = { $$typeof: Symbol.for('react.memo'), type: { $$typeof: Symbol.for('react.forward_ref'), render: Inner } };`);
    expect(only()?.adapter).toMatchObject({ value: { property: 'checked' } });
  });
});

it('a widget is a class whose objects are made on an element, with the options that it reads', () => {
  untyped(`
    function Dial(element, options) { this.at = document.querySelector(element); this.step = options.step; }
    Dial.prototype.setValue = function (next) { this.value = next; };
    Dial.prototype.on = function (name, hear) {};
    Dial.prototype.destroy = function () {};
    Dial.defaults = { value: 3, step: 1 };
    module.exports = Dial;`);
  expect(only()?.input).toMatchObject({ family: 'widget', widget: { start: 'new', update: 'setValue' } });
  expect(only()?.input.properties.map(({ name }) => name)).toEqual(expect.arrayContaining(['value', 'step']));
});

it('a widget may take its element among its options, and nothing else', () => {
  untyped(`
    var known = { field: null, step: 1, value: 2 };
    function Dial(options) { this._options = options; this.at = this._options.field; this.to = this._options.onChange; }
    Dial.prototype.setValue = function (next) {};
    Dial.defaults = known;
    module.exports = Dial;`);
  expect(only()?.input).toMatchObject({
    family: 'widget',
    widget: { start: 'new', update: 'setValue', place: 'field' },
  });
});

it('what makes something on an element is seen making it, whatever its names', () => {
  untyped(`
    exports.create = function (a, b) {
      var c = Object.assign({ step: 1, selected: 2, onSelect: null }, b), d = a.parentNode;
      d.insertBefore(document.createElement('p'), a);
      return { o: c, setSelected: function (e) {}, destroy: function () {} };
    };
    exports.Dial = {
      make: (a) => {
        if (!a.source) throw new Error('A source is missing.');
        (typeof a.holder === 'function' ? a.holder() : document.querySelector(a.holder)).addEventListener('input', a.onChange);
        return { setValue(b) {}, getValue() {} };
      },
    };
    exports.Gauge = function (a) {
      var s = this, k; s.o = { field: null, step: 1, value: 0, onSelect: null };
      for (k in a) s.o[k] = a[k];
      if (s.o.field) s.o.field.parentNode.appendChild(document.createElement('p'));
    };
    exports.Gauge.prototype = { setValue: function () {}, destroy: function () {} };
    exports.getOffset = (a) => a.parentNode.nodeType;`);
  expect(names()).toEqual(['create', 'Dial.make', 'Gauge']);
  const [created, made, gauge] = found();
  // Where all that is given is copied, its place and what stands beside it are known by what they are copied to.
  expect(gauge?.input.widget).toMatchObject({ start: 'new', place: 'field', reports: 'options' });
  expect(gauge?.adapter?.change.report).toBe('onSelect');
  expect(made?.input.widget).toMatchObject({ start: 'call', place: 'holder', update: 'setValue' });
  expect(created?.input).toMatchObject({ widget: { start: 'call', update: 'setSelected', destroy: 'destroy' } });
  expect(created?.adapter?.value.property).toBe('selected');
});

it('what its script alone says it tells is heard; one that is called like an input helps to fill in a box', () => {
  install('depth-picker', '', { main: 'index.js' });
  put(
    'node_modules/depth-picker/index.js',
    `module.exports = function (a) { a.addEventListener('click', f); function f() { emit('depth-select'); } return { on() {}, destroy() {} }; };`,
  );
  expect(only()?.input).toMatchObject({
    id: 'depth-picker#default',
    events: [{ name: 'depth-select' }],
    widget: { reports: 'on', update: 'value', startsEmpty: true },
  });
});

it('an element is one that was defined, also a turn after the package was loaded', () => {
  untyped(`
    class Level extends HTMLElement {
      static get observedAttributes() { return ['disabled', 'unit']; }
      get value() { return this.at; }
      set value(next) { this.at = next; }
      connectedCallback() {}
      setText() {}
    }
    setTimeout(() => customElements.define('tide-level', Level), 0);`);
  expect(only()?.input).toMatchObject({
    id: 'tide#tide-level',
    family: 'element',
    module: 'tide',
    methods: ['setText'],
  });
  expect(only()?.input.properties.map(({ name, type }) => [name, type])).toEqual([
    ['value', 'any'],
    ['disabled', 'boolean'],
    ['unit', 'any'],
  ]);
});

describe('a package that cannot be run', () => {
  it.each([
    ['throws', "throw new TypeError('No tide here.');", 'TypeError: No tide here.'],
    ['asks for what is not installed', "require('harbour');", 'Could not resolve "harbour"'],
    ['ends at once', 'process.exit(0);', 'Error: process.reallyExit is not there for foreign code.'],
  ])('is told of: it %s', (_what, script, reason) => {
    untyped(script);
    expect(inspect(folder).unread).toEqual([
      `tide declares no types, and could not be run to see what it exports: ${reason}`,
    ]);
  });

  it('reaches no file', () => {
    const reached = join(folder, 'reached');
    untyped(`require('fs').writeFileSync(${JSON.stringify(reached)}, '');`);
    expect(inspect(folder).unread[0]).toMatch(/could not be run/);
    expect(existsSync(reached)).toBe(false);
  });

  it('is not run where it declares its types, or has no entry of its own', () => {
    untyped("throw new Error('Run.');", { main: 'index.js', types: 'index.d.ts' });
    put('node_modules/tide/index.d.ts', 'export {};');
    const nothing = { unread: [], without: ['tide'] };
    expect(inspect(folder)).toMatchObject(nothing);
    untyped("throw new Error('Run.');", { exports: { './level': './level.js' } });
    expect(inspect(folder)).toMatchObject(nothing);
  });
});

it('what a package tells is foreign: only names and kinds come through', () => {
  const told = {
    exports: [
      { name: 'a; process.exit()', is: 'component', properties: [], methods: [] },
      { name: 'Level', is: 'something', properties: [], methods: [] },
      {
        name: 'Dial',
        is: 'class',
        properties: [{ name: 'value', kinds: ['number', '}; evil('], choices: [{}] }, { name: '}' }],
        methods: ['set', ')'],
      },
    ],
    elements: [{ tag: 'x-y" }', properties: [] }, { tag: 'tide-level', properties: ['value', 'a b'] }, null],
  };
  expect(shownIn(told)).toEqual({
    exports: [{ name: 'Dial', is: 'class', properties: [{ name: 'value', kinds: ['number'] }], methods: ['set'] }],
    elements: [{ tag: 'tide-level', properties: ['value'], methods: [] }],
  });
  expect(shownIn('nothing')).toEqual({ exports: [], elements: [] });
  expect(declared(shownIn({}))).not.toContain('declare');
});

it('what does not let itself be looked at keeps nothing else from being told', () => {
  const shut = new Proxy(
    class {
      draw(): void {}
    },
    {
      get: () => {
        throw new Error('Shut.');
      },
    },
  );
  class Dial {
    constructor(readonly element: unknown) {}
    setValue(): void {}
  }
  expect(tellExports({ shut, Dial }, [], () => undefined).exports.map(({ name }) => name)).toEqual(['Dial']);
});
