/** Custom properties of CSS that an input is drawn with and nothing gives a value: its look lies in something that is not there yet. */
import type { Wrapper } from '@poietra/core';
import { plainBox } from '@poietra/core';
import { everyElement } from '@poietra/react';

/** Read without a fallback (CSS Custom Properties, §3 “Using Cascading Variables”). */
const read = /var\(\s*(--[\w-]+)\s*\)/g;
/** A selector that marks a whole page, or a part of it: classes and attributes of one element, and nothing else. */
const mark = /^(?::root|html|body)?((?:\.[\w-]+|\[[\w-]+(?:=["']?[\w-]+["']?)?\])+)$/;
/** What is dark or for one purpose is not what most people would see first. */
const special = /dark|contrast|print|rtl|dim|night/;
const mostRules = 20_000;
/** So many are tried. */
const mostMarks = 4;

/** The names of what is not given, as the elements of the box are styled now. */
export function ungivenIn(box: HTMLElement): ReadonlySet<string> {
  const byRoot = new Map<Document | ShadowRoot, Element[]>();
  for (const element of [box, ...everyElement(box)]) {
    const root = element.getRootNode() as Document | ShadowRoot;
    byRoot.set(root, [...(byRoot.get(root) ?? []), element]);
  }
  const missing = new Set<string>();
  for (const [root, elements] of byRoot) {
    const host = root instanceof ShadowRoot ? [root.host] : [];
    for (const { selectorText, cssText } of rulesOf(root)) {
      const names = [...cssText.matchAll(read)].flatMap(([, name]) => (name === undefined ? [] : [name]));
      if (names.length === 0) continue;
      const drawn = [...elements.filter((one) => fits(one, selectorText)), ...(/:host/.test(selectorText) ? host : [])];
      for (const element of drawn.slice(0, 1))
        for (const name of names) if (getComputedStyle(element).getPropertyValue(name) === '') missing.add(name);
    }
  }
  return missing;
}

/** Boxes with the marks under which the page's sheets give what is missing, the likeliest first. */
export function marksGiving(missing: ReadonlySet<string>): Wrapper[] {
  const marked = rulesOf(document).flatMap(({ selectorText, style }) => {
    const marks = selectorText
      .split(',')
      .map((text) => text.trim())
      .filter((one) => mark.test(one) && !special.test(one));
    return marks.length > 0 ? [{ marks, style }] : [];
  });
  // What is given may read others in turn: colours by what they are for, from colours by what they are.
  const wanted = new Set(missing);
  for (let before = 0; before < wanted.size;) {
    before = wanted.size;
    for (const { style } of marked)
      for (const name of style)
        if (wanted.has(name))
          for (const [, inner = ''] of style.getPropertyValue(name).matchAll(read)) wanted.add(inner);
  }
  const given = new Map<string, number>();
  for (const { marks, style } of marked) {
    const names = [...style].filter((name) => wanted.has(name)).length;
    for (const one of names > 0 ? marks : []) given.set(one, (given.get(one) ?? 0) + names);
  }
  return [...given]
    .sort(([a, one], [b, other]) => Number(/light/.test(b)) - Number(/light/.test(a)) || other - one)
    .slice(0, mostMarks)
    .map(([selector]) => ({ component: plainBox, properties: propertiesOf(selector) }));
}

function propertiesOf(selector: string): Record<string, string> {
  const classes = [...selector.matchAll(/\.([\w-]+)/g)].map(([, name = '']) => name);
  const attributes = new Map<string, string>();
  for (const [, name = '', value = ''] of selector.matchAll(/\[([\w-]+)(?:=["']?([\w-]+)["']?)?\]/g))
    attributes.set(name, value);
  return { ...(classes.length > 0 ? { className: classes.join(' ') } : {}), ...Object.fromEntries(attributes) };
}

function rulesOf(root: Document | ShadowRoot): CSSStyleRule[] {
  const found: CSSStyleRule[] = [];
  const walk = (rules: CSSRuleList): void => {
    for (const rule of rules) {
      if (found.length >= mostRules) return;
      if (rule instanceof CSSStyleRule) found.push(rule);
      else if (rule instanceof CSSGroupingRule) walk(rule.cssRules);
    }
  };
  for (const sheet of [...root.styleSheets, ...root.adoptedStyleSheets]) {
    try {
      walk(sheet.cssRules);
    } catch {
      // Of another origin: what is in it is not ours to read.
    }
  }
  return found;
}

function fits(element: Element, selector: string): boolean {
  try {
    return element.matches(selector);
  } catch {
    return false;
  }
}
