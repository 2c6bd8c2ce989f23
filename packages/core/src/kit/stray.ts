/** Members of a kit that its format does not know: kept, since a newer Poietra may have written them, and told. */
import { z } from 'zod';
import { isObject, joinPointer, nearest, type Pointer } from '../json/index.js';
import { kitSchema } from './kit.js';
import type { KitProblem } from './problem.js';

interface Shape {
  readonly properties?: Readonly<Record<string, Shape>>;
  readonly additionalProperties?: boolean | Shape;
  readonly items?: Shape;
  readonly prefixItems?: readonly Shape[];
  readonly anyOf?: readonly Shape[];
  readonly oneOf?: readonly Shape[];
  readonly allOf?: readonly Shape[];
}
let known: Shape | undefined;

/** Of a whole kit, or of the part of it at a pointer. Each is told with the nearest name that is known there. */
export function strayMembers(value: unknown, at: Pointer = ''): KitProblem[] {
  // Zod itself writes its schema as JSON Schema; what it says of any other member (`additionalProperties`) is no name.
  known ??= z.toJSONSchema(kitSchema, { io: 'input', unrepresentable: 'any' }) as Shape;
  const shapes = at
    .split('/')
    .slice(1)
    .reduce<readonly Shape[]>((all, name) => all.flatMap((one) => below(one, name)), alternatives(known));
  return strays(value, shapes, at);
}

function strays(value: unknown, shapes: readonly Shape[], at: Pointer): KitProblem[] {
  if (Array.isArray(value))
    return value.flatMap((item, i) =>
      strays(
        item,
        shapes.flatMap((one) => below(one, i)),
        joinPointer(at, i),
      ),
    );
  if (!isObject(value)) return [];
  const names = shapes.flatMap(({ properties = {} }) => Object.keys(properties));
  return Object.entries(value).flatMap(([name, inner]) => {
    const next = shapes.flatMap((one) => below(one, name));
    const where = joinPointer(at, name);
    if (names.length > 0 && next.length === 0)
      return [{ at: where, message: `There is no member “${name}” here${nearest(name, names)}` }];
    return strays(inner, next, where);
  });
}

/** What is said of a member or an entry; of members with names of one's own, the same for all. */
function below(shape: Shape, name: string | number): readonly Shape[] {
  const { properties = {}, additionalProperties, items, prefixItems } = shape;
  const found =
    typeof name === 'number'
      ? (prefixItems?.[name] ?? items)
      : Object.hasOwn(properties, name)
        ? properties[name]
        : isNamed(additionalProperties)
          ? additionalProperties
          : undefined;
  return found ? alternatives(found) : [];
}
const isNamed = (shape: boolean | Shape | undefined): shape is Shape =>
  isObject(shape) && Object.keys(shape).length > 0;
const alternatives = (shape: Shape): readonly Shape[] => [
  shape,
  ...[...(shape.anyOf ?? []), ...(shape.oneOf ?? []), ...(shape.allOf ?? [])].flatMap(alternatives),
];
