import { z } from 'zod';
import {
  familyNames,
  type AdapterDescription,
  type ElementInside,
  type FoundInput,
  type ScoreSheet,
} from '../adapter/index.js';
import type { CodecDescription } from '../codec/index.js';
import { adapterSchema, map, wrappersShape } from './adapter-shape.js';
import { skinParts, type SkinDescription } from './skin.js';
import { lookShapes, lookVariables, type LookDescription } from './look.js';
import type { FieldDescription, HintsBeside, ChoiceRule, SendDescription } from '../plan/index.js';

/** The version of the kit file that this code writes. */
export const kitVersion = 1;

/** A named set of fields with a schema, used in forms by `$ref: "urn:poietra:group:NAME"`. */
export interface GroupDescription {
  readonly title: string;
  readonly schema: unknown;
  readonly written?: WrittenTexts;
}
/** Texts as a person wrote them, with comments. Each counts only as long as it means the same as the member it names. */
export interface WrittenTexts {
  readonly schema?: string;
  readonly hints?: string;
}
/** A hint of the kit's own: what values it takes, and what it does to the drawing of a field. */
export interface HintDescription {
  readonly title?: string;
  /** A JSON Schema of its values. */
  readonly schema: unknown;
  readonly does: 'property' | 'words' | 'mark';
  readonly property?: string;
  readonly words?: string;
}
/** A form: its schema, the hints beside it, and where its records live. */
export interface FormDescription {
  readonly title: string;
  readonly schema: unknown;
  readonly hints?: HintsBeside;
  readonly send?: SendDescription;
  /** What to say instead, by language and keyword; `{limit}` and the like stand for the keyword's parameters. */
  readonly messages?: Readonly<Record<string, Readonly<Record<string, string>>>>;
  /** The language of its messages; absent: English. */
  readonly language?: string;
  readonly tell?: 'leave' | 'change' | 'submit';
  readonly hidden?: 'drop' | 'keep';
  /** What is said once it was accepted; `{number}` and the like are members of the answer. */
  readonly accepted?: string;
  /** How its fields are drawn: `plain`, `compact`, or one of the kit's skins. */
  readonly skin?: string;
  readonly written?: WrittenTexts;
}
/** A document of somebody else's, as it was when it was had. */
export interface DocumentDescription {
  readonly schema: unknown;
  /** When it was fetched (RFC 3339); absent where it was put in by hand. */
  readonly fetched?: string;
}

/** A host that the workbench may ask for a form, through its own server. */
export interface HostDescription {
  /** When somebody allowed it (RFC 3339). */
  readonly allowed?: string;
}

/** An input that the kit uses, as it was found. */
export type KitInput = Pick<
  FoundInput,
  'family' | 'package' | 'version' | 'export' | 'module' | 'registers' | 'css'
> & {
  readonly tag?: string;
  readonly item?: ElementInside;
};

export interface Proof {
  readonly now: ScoreSheet;
  readonly before?: ScoreSheet;
}

/** Everything a team keeps in Poietra: one document, one file. */
export interface Kit {
  readonly poietra: number;
  readonly name: string;
  readonly inputs: Readonly<Record<string, KitInput>>;
  readonly adapters: Readonly<Record<string, AdapterDescription>>;
  readonly codecs: Readonly<Record<string, CodecDescription>>;
  readonly fields: Readonly<Record<string, FieldDescription>>;
  readonly groups: Readonly<Record<string, GroupDescription>>;
  readonly forms: Readonly<Record<string, FormDescription>>;
  /** Documents of others that schemas refer to, by their URI without fragment. */
  readonly documents?: Readonly<Record<string, DocumentDescription>>;
  /** Whom its forms may ask for values and checks beside the server that they are sent to: by origin (RFC 6454), since when. */
  readonly hosts?: Readonly<Record<string, HostDescription>>;
  readonly rules?: readonly ChoiceRule[];
  readonly skins?: Readonly<Record<string, SkinDescription>>;
  /** The variables of the plain skin that are set, by theme. */
  readonly look?: LookDescription;
  /** Hint keywords of the kit's own. */
  readonly hints?: Readonly<Record<string, HintDescription>>;
  /** What is handed over imports no package of Poietra; what it uses of the libraries comes along as source. */
  readonly standsAlone?: boolean;
  /** In what is handed over a text of a format is of a type of its own, which only a text has that was checked. */
  readonly formatTypes?: boolean;
  /** The last run of the contract for each adapter, and the one before it. */
  readonly proofs?: Readonly<Record<string, Proof>>;
  readonly [later: string]: unknown;
}

const schema = z.union([z.boolean(), z.looseObject({})]);

const written = z.looseObject({ schema: z.string().optional(), hints: z.string().optional() }).optional();

/** A component of a suite, or an element by its tag. */
const skinComponent = z.string().regex(/^[^#\s]+#[A-Za-z_$][\w$.-]*$/, 'is written as package#Export');
const header = z.string().regex(/^[A-Za-z0-9-]{1,60}$/, 'is the name of an HTTP header');
const method = z.string().regex(/^[A-Z]{2,10}$/, 'is an HTTP method in capitals');

const look = z
  .looseObject(
    Object.fromEntries(
      Object.entries(lookVariables).map(([variable, { kind }]) => [
        variable,
        z.string().regex(lookShapes[kind].shape, lookShapes[kind].says).optional(),
      ]),
    ),
  )
  .optional();

const sheet = z.looseObject({
  version: z.string(),
  time: z.string(),
  adapter: z.string(),
  depth: z.enum(['quick', 'full']).optional(),
  browser: z.string().max(200).optional(),
  face: z.record(z.string(), z.string()).optional(),
  verdicts: z
    .array(
      z.looseObject({ check: z.string(), state: z.enum(['pass', 'fail', 'none', 'open']), seen: z.string().max(4000) }),
    )
    .max(200),
});

/** The kit's shape. Members that it does not know are kept: a newer Poietra may have written them. */
export const kitSchema = z.looseObject({
  poietra: z.literal(kitVersion),
  name: z.string().min(1),
  standsAlone: z.boolean().optional(),
  formatTypes: z.boolean().optional(),
  inputs: z.record(
    z.string(),
    z.looseObject({
      family: z.enum(familyNames),
      package: z.string(),
      version: z.string(),
      export: z.string(),
      module: z.string(),
      registers: z.string().optional(),
      tag: z.string().optional(),
      item: z
        .looseObject({
          tag: z.string(),
          module: z.string(),
          registers: z.string().optional(),
          text: z.string().optional(),
        })
        .optional(),
      css: z.array(z.string()),
    }),
  ),
  adapters: map(adapterSchema),
  codecs: map(
    z.looseObject({
      kind: z.string().min(1),
      title: z.string().optional(),
      options: z.record(z.string(), z.unknown()).optional(),
      cases: z
        .array(
          z.looseObject({
            shown: z.unknown(),
            held: z.unknown().optional(),
            sent: z.unknown().optional(),
            again: z.unknown().optional(),
            refused: z.string().optional(),
            note: z.string().optional(),
          }),
        )
        .optional(),
    }),
  ),
  fields: map(
    z.looseObject({
      title: z.string().optional(),
      adapter: z.string().min(1),
      codec: z.string().min(1),
      label: z.string().optional(),
      hint: z.string().optional(),
      placeholder: z.string().optional(),
      prefix: z.string().optional(),
      suffix: z.string().optional(),
      normal: z.enum(['leaving', 'typing']).optional(),
      required: z.boolean().optional(),
    }),
  ),
  groups: map(z.looseObject({ title: z.string(), schema, written })),
  forms: map(
    z.looseObject({
      title: z.string(),
      schema,
      hints: z.record(z.string(), z.looseObject({})).optional(),
      send: z
        .looseObject({
          path: z.string().startsWith('/'),
          key: z.string().min(1),
          methods: z.partialRecord(z.enum(['create', 'replace', 'change', 'delete']), method).optional(),
          methodHeader: header.optional(),
          token: z.looseObject({ path: z.string().startsWith('/'), member: z.string().min(1), header }).optional(),
        })
        .optional(),
      messages: z.record(z.string(), z.record(z.string(), z.string().max(1000))).optional(),
      language: z.string().optional(),
      tell: z.enum(['leave', 'change', 'submit']).optional(),
      hidden: z.enum(['drop', 'keep']).optional(),
      accepted: z.string().max(1000).optional(),
      skin: z.string().optional(),
      written,
    }),
  ),
  documents: z
    .record(
      z.string().regex(/^(?!urn:poietra:group:)[^#\s]+$/, 'is the address of a document, without “#”'),
      z.looseObject({ schema, fetched: z.string().max(40).optional() }),
    )
    .optional(),
  hosts: z
    .record(
      z.string().regex(/^https?:\/\/[^\s/?#@]+$/, 'is the origin of a host, like https://harbour.example.org'),
      z.looseObject({ allowed: z.string().max(40).optional() }),
    )
    .optional(),
  skins: map(
    z.looseObject({
      component: skinComponent.optional(),
      label: z.string().optional(),
      labelFor: z.string().optional(),
      hint: z.string().optional(),
      error: z.string().optional(),
      required: z.string().optional(),
      properties: z.record(z.string(), z.unknown()).optional(),
      invalid: z.record(z.string(), z.unknown()).optional(),
      parts: z
        .partialRecord(
          z.enum(skinParts),
          z.looseObject({
            component: skinComponent,
            names: z.record(z.string(), z.string()).optional(),
            properties: z.record(z.string(), z.unknown()).optional(),
          }),
        )
        .optional(),
      around: wrappersShape.optional(),
    }),
  ).optional(),
  look: z.looseObject({ light: look, dark: look }).optional(),
  hints: map(
    z.looseObject({
      title: z.string().optional(),
      schema,
      does: z.enum(['property', 'words', 'mark']),
      property: z.string().min(1).optional(),
      words: z.string().optional(),
    }),
  ).optional(),
  proofs: map(z.looseObject({ now: sheet, before: sheet.optional() })).optional(),
  rules: z
    .array(
      z.looseObject({
        kind: z.string().optional(),
        format: z.string().optional(),
        content: z.string().optional(),
        choices: z.string().optional(),
        several: z.boolean().optional(),
        secret: z.boolean().optional(),
        lines: z.boolean().optional(),
        use: z.looseObject({
          adapter: z.string(),
          codec: z.looseObject({ kind: z.string(), options: z.record(z.string(), z.unknown()).optional() }),
        }),
      }),
    )
    .optional(),
});
