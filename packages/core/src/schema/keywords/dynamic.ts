/** References whose end depends on the way that led to them. */
import { isObject } from '../../json/index.js';
import { reference, type Family, type Keyword } from './context.js';

/** JSON Schema Core 2020-12, section 8.2.3.2: the outermost resource of the dynamic scope with that anchor wins. */
const dynamicRef: Keyword = (context) => {
  if (typeof context.value !== 'string') return undefined;
  const start = context.target(context.value);
  if (!start) return undefined;
  const anchor = context.value.slice(context.value.indexOf('#') + 1);
  const isDynamic = isObject(start.raw) && start.raw['$dynamicAnchor'] === anchor;
  if (!isDynamic) return reference('$dynamicRef', [start], () => start);
  return reference('$dynamicRef', undefined, (run) => {
    for (const resource of run?.scope ?? []) {
      const node = context.dynamicNode(resource, anchor);
      if (node) return node;
    }
    return start;
  });
};

/** JSON Schema Core 2019-09, section 8.2.4.2. */
const recursiveRef: Keyword = (context) => {
  const start = context.target('#');
  if (!start) return undefined;
  if (!start.resource.recursive) return reference('$recursiveRef', [start], () => start);
  return reference('$recursiveRef', undefined, (run) => {
    const outermost = run?.scope.find((resource) => resource.recursive);
    return outermost ? context.nodeAt({ raw: outermost.root, resource: outermost, at: outermost.at }) : start;
  });
};

export const family: Family = {
  keywords: { $dynamicRef: dynamicRef, $recursiveRef: recursiveRef },
  english: {},
};
