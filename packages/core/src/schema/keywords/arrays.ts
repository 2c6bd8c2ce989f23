/** Keywords that look at lists. */
import { canonical, joinPointer } from '../../json/index.js';
import { plural, type Messages } from '../messages.js';
import type { Members, SchemaNode } from '../rule.js';
import { bounded } from './bounds.js';
import { assertion, bits, none, type Context, type Family, type Keyword } from './context.js';

/** The items before `to` each have a schema of their own. */
function leading(context: Context): Members | undefined {
  const { keyword, value } = context;
  if (!Array.isArray(value)) {
    context.complain('has to be a list of schemas');
    return undefined;
  }
  const nodes = value.map((_, i) => context.child(i));
  return {
    kind: 'members',
    keyword,
    on: bits.array,
    accepts(items, run) {
      const list = items as readonly unknown[];
      for (let i = 0; i < nodes.length && i < list.length; i++)
        if (!(nodes[i] as SchemaNode).accepts(list[i], run)) return false;
      return true;
    },
    mark(items, run, seen) {
      seen.itemsBefore = Math.max(seen.itemsBefore, nodes.length);
      return this.accepts(items, run);
    },
    inner: nodes,
    keys: (items) => nodes.map((_, i) => i).slice(0, (items as unknown[]).length),
    nodesFor: (key) => nodes.slice(Number(key), Number(key) + 1),
    step: (key) => joinPointer(`/${keyword}`, key),
  };
}

/** All items from `from` on have one schema. */
function following(context: Context, from: number): Members {
  const node = context.child();
  const nodes = [node];
  return {
    kind: 'members',
    keyword: context.keyword,
    on: bits.array,
    accepts(items, run) {
      const list = items as readonly unknown[];
      for (let i = from; i < list.length; i++) if (!node.accepts(list[i], run)) return false;
      return true;
    },
    mark(items, run, seen) {
      seen.allItems = true;
      return this.accepts(items, run);
    },
    inner: nodes,
    keys: (items) => Array.from({ length: Math.max(0, (items as unknown[]).length - from) }, (_, i) => i + from),
    nodesFor: (key) => (Number(key) >= from ? nodes : none),
    step: () => `/${context.keyword}`,
  };
}

const items: Keyword = (context) => {
  if (context.dialect.draft === 2020) {
    const before = context.raw['prefixItems'];
    if (Array.isArray(context.value)) {
      context.complain('has to be one schema; a list of schemas is called "prefixItems" since 2020-12');
      return undefined;
    }
    return following(context, Array.isArray(before) ? before.length : 0);
  }
  return Array.isArray(context.value) ? leading(context) : following(context, 0);
};

const additionalItems: Keyword = (context) => {
  const before = context.raw['items'];
  return Array.isArray(before) ? following(context, before.length) : undefined;
};

const contains: Keyword = (context) => {
  const node = context.child();
  const counts = context.dialect.draft >= 2019 && context.dialect.keywords.has('minContains');
  const least = counts && typeof context.raw['minContains'] === 'number' ? context.raw['minContains'] : 1;
  const most = counts && typeof context.raw['maxContains'] === 'number' ? context.raw['maxContains'] : Infinity;
  return {
    kind: 'whole',
    keyword: 'contains',
    on: bits.array,
    accepts(value, run) {
      let found = 0;
      for (const item of value as unknown[]) {
        if (!node.accepts(item, run)) continue;
        found++;
        if (found > most) return false;
        if (found >= least && most === Infinity) return true;
      }
      return found >= least;
    },
    mark(value, run, seen) {
      let found = 0;
      (value as unknown[]).forEach((item, i) => {
        if (!node.accepts(item, run)) return;
        found++;
        if (context.dialect.draft === 2020) seen.items.add(i);
      });
      return found >= least && found <= most;
    },
    problems(value, run, site) {
      if (this.accepts(value, run)) return [];
      const found = (value as unknown[]).filter((item) => node.accepts(item, run)).length;
      return [
        context.problem(
          found < least ? (least === 1 ? 'contains' : 'minContains') : 'maxContains',
          { limit: found < least ? least : most, seen: found },
          site,
        ),
      ];
    },
  };
};

const entries = (value: object): number => (value as unknown[]).length;
const maxItems = bounded(bits.array, entries, 'most');
const minItems = bounded(bits.array, entries, 'least');
const uniqueItems: Keyword = (context) =>
  context.value === true
    ? assertion(
        context,
        bits.array,
        (value: unknown[]) => firstRepeat(value) === undefined,
        (value: unknown[]) => ({ items: firstRepeat(value) }),
      )
    : undefined;

/** Equal values by their canonical text; pairwise while there are few. */
function firstRepeat(items: readonly unknown[]): [number, number] | undefined {
  const places = new Map<unknown, number>();
  for (let i = 0; i < items.length; i++) {
    const item = items[i];
    const key =
      typeof item === 'object' && item !== null ? canonical(item) : typeof item === 'string' ? `"${item}` : item;
    const before = places.get(key);
    if (before !== undefined) return [before, i];
    places.set(key, i);
  }
  return undefined;
}

const english: Messages = {
  maxItems: ({ limit, seen }) => `Has to have at most ${plural(limit, 'entry', 'entries')}, but has ${String(seen)}.`,
  minItems: ({ limit, seen }) => `Has to have at least ${plural(limit, 'entry', 'entries')}, but has ${String(seen)}.`,
  uniqueItems: ({ items }) =>
    Array.isArray(items)
      ? `Entries ${Number(items[0]) + 1} and ${Number(items[1]) + 1} are the same.`
      : 'Has the same entry twice.',
  contains: 'Has no entry of the kind that is needed.',
  minContains: 'Has to have at least {limit} entries of the kind that is needed, but has {seen}.',
  maxContains: 'Has to have at most {limit} entries of that kind, but has more.',
};

export const family: Family = {
  keywords: { prefixItems: leading, items, additionalItems, contains, maxItems, minItems, uniqueItems },
  english,
};
