import { compileSchema, hintsSchemaWith, missingIn, SchemaError, type HintDescription } from '@poietra/core';
import { firstFault, meaningOf, plainText } from '../store/written.js';

/** What is wrong with a text: by place, or from one position to another where it is no JSON at all. */
export interface TextFault {
  readonly at?: string;
  readonly range?: { readonly from: number; readonly to: number };
  readonly message: string;
}

export interface TextVerdict {
  readonly faults: readonly TextFault[];
  /** Whether it is the text that anybody would write for what it means. */
  readonly isPlain: boolean;
  /** Documents that it leads to and that are not at hand. */
  readonly missing?: readonly string[];
}

/** Reads schemas and hints as they are typed: for a schema of megabytes that is work of a second. */
export const textCheck = {
  schema(text: string, documents: Readonly<Record<string, unknown>>): TextVerdict {
    return checked(text, (value) => {
      compileSchema(value, { documents });
      return [];
    });
  },
  hints(text: string, own: Readonly<Record<string, HintDescription>>): TextVerdict {
    return checked(text, (value) => {
      const { problems } = compileSchema({
        type: 'object',
        propertyNames: { anyOf: [{ const: '' }, { format: 'json-pointer', pattern: '^/' }] },
        additionalProperties: hintsSchemaWith(own),
      }).validate(value);
      return problems.map(({ at, message }) => ({ at, message }));
    });
  },
  json: (text: string): TextVerdict => checked(text, () => []),
};
export type TextCheck = typeof textCheck;

function checked(text: string, judge: (value: unknown) => readonly TextFault[]): TextVerdict {
  let value: unknown;
  try {
    value = meaningOf(text);
  } catch (error) {
    const { from, to } = firstFault(text);
    const message = `No JSON yet: ${error instanceof Error ? error.message : String(error)}.`;
    return { faults: [{ range: { from, to }, message }], isPlain: false };
  }
  let isPlain = false;
  try {
    isPlain = plainText(value) === text;
    return { faults: judge(value), isPlain };
  } catch (error) {
    if (error instanceof SchemaError)
      return { faults: error.problems.map(({ at, message }) => ({ at, message })), isPlain, missing: missingIn(error) };
    if (error instanceof RangeError) return { faults: [{ at: '', message: error.message }], isPlain };
    throw error;
  }
}
