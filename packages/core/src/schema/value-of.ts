/**
 * The type of the values of a JSON Schema that is written in TypeScript. It says what types can say: kinds, members,
 * choices, tuples, definitions. Limits, patterns and conditions are the schema's own; where it says nothing that a type
 * can say, or is not known to the compiler, the value is `unknown`.
 */
export type ValueOf<Schema> = unknown extends Schema ? unknown : Value<Schema, Schema, []>;

type Value<S, Root, Depth extends readonly unknown[]> = S extends false
  ? never
  : S extends { readonly const: infer Only }
    ? Only
    : S extends { readonly enum: readonly (infer Choice)[] }
      ? Choice
      : S extends object
        ? Flat<
            Referred<S, Root, Depth> &
              OfKind<S, Root, Depth> &
              All<S, Root, Depth> &
              Branch<S, 'oneOf', Root, Depth> &
              Branch<S, 'anyOf', Root, Depth>
          >
        : unknown;

/** Members of several parts as those of one, so that a reader sees what is meant. */
type Flat<T> = T extends readonly unknown[] ? T : T extends object ? { [Name in keyof T]: T[Name] } : T;

/** References into the schema itself; others lead where the compiler does not see. */
type Referred<S, Root, Depth extends readonly unknown[]> = S extends { readonly $ref: infer Way }
  ? // A reference that goes round in circles means nothing.
    Depth['length'] extends 30
    ? unknown
    : Way extends '#'
      ? Value<Root, Root, [...Depth, 0]>
      : Way extends `#/$defs/${infer Name}`
        ? Root extends { readonly $defs: Readonly<Record<Name, infer Definition>> }
          ? Value<Definition, Root, [...Depth, 0]>
          : unknown
        : unknown
  : unknown;

type OfKind<S, Root, Depth extends readonly unknown[]> = S extends { readonly type: infer Kind }
  ? Kind extends readonly (infer One)[]
    ? ByKind<One, S, Root, Depth>
    : ByKind<Kind, S, Root, Depth>
  : S extends { readonly properties: object }
    ? ObjectOf<S, Root, Depth>
    : unknown;

type ByKind<Kind, S, Root, Depth extends readonly unknown[]> = Kind extends 'string'
  ? string
  : Kind extends 'number' | 'integer'
    ? number
    : Kind extends 'boolean'
      ? boolean
      : Kind extends 'null'
        ? null
        : Kind extends 'array'
          ? ListOf<S, Root, Depth>
          : Kind extends 'object'
            ? ObjectOf<S, Root, Depth>
            : unknown;

type ListOf<S, Root, Depth extends readonly unknown[]> = S extends {
  readonly prefixItems: infer Positions extends readonly unknown[];
}
  ? S extends { readonly items: false }
    ? Partial<Tuple<Positions, Root, Depth>>
    : readonly [...Partial<Tuple<Positions, Root, Depth>>, ...ItemOf<S, Root, Depth>[]]
  : readonly ItemOf<S, Root, Depth>[];
type ItemOf<S, Root, Depth extends readonly unknown[]> = S extends { readonly items: infer Item }
  ? Value<Item, Root, Depth>
  : unknown;
type Tuple<Positions extends readonly unknown[], Root, Depth extends readonly unknown[]> = {
  readonly [At in keyof Positions]: Value<Positions[At], Root, Depth>;
};

type ObjectOf<S, Root, Depth extends readonly unknown[]> = S extends { readonly properties: infer Members }
  ? {
      readonly [Name in keyof Members as Name extends Required<S> ? Name : never]: Value<Members[Name], Root, Depth>;
    } & {
      readonly [Name in keyof Members as Name extends Required<S> ? never : Name]?: Value<Members[Name], Root, Depth>;
    }
  : {
      readonly [name: string]: S extends { readonly additionalProperties: infer Other }
        ? Value<Other, Root, Depth>
        : unknown;
    };
type Required<S> = S extends { readonly required: readonly (infer Name)[] } ? Name : never;

type All<S, Root, Depth extends readonly unknown[]> = S extends {
  readonly allOf: infer Parts extends readonly unknown[];
}
  ? Both<Parts, Root, Depth>
  : unknown;
type Both<Parts extends readonly unknown[], Root, Depth extends readonly unknown[]> = Parts extends readonly [
  infer First,
  ...infer Others,
]
  ? Value<First, Root, Depth> & Both<Others, Root, Depth>
  : unknown;
type Branch<S, Keyword extends string, Root, Depth extends readonly unknown[]> = S extends {
  readonly [K in Keyword]: readonly (infer Option)[];
}
  ? Value<Option, Root, Depth>
  : unknown;
