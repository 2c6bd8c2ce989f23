/** What a form stands on, and what those who look after its values need of it. */
import type { Codec } from '../codec/index.js';
import type { Expressed } from '../expression/index.js';
import type { Pointer } from '../json/index.js';
import type { Facts } from '../schema/index.js';
import type { FormExpressions } from './computed.js';
import type { Movable, Moves } from './moves.js';
import type { Place } from './place.js';
import type { FormSchema } from './form-schema.js';
import type { CodecAt, FormOptions } from './types.js';

/** What those who look after values beside the schema need of the form. */
export interface Attended {
  place(at: Pointer): Place;
  ask(at: Pointer, text: string): Expressed;
  /** The places that an expression looks at. */
  looksAt(at: Pointer, text: string): readonly Place[];
  /** Whether a value is not one that a saved record came with. */
  isNews(place: Place): boolean;
  trouble(at: Pointer, says: string): void;
}
/** Looks after rules, or after checks. `settled` gives what sending waits for; `isFirst` where an attempt begins. */
export interface Attendant {
  settled?(isFirst: boolean): Promise<void> | undefined;
}

/** What a form is opened with, once its schema is ready; its codecs are looked up. */
export type OpenOptions = Omit<FormOptions, 'schema' | 'compiled' | 'compile' | 'codecs'> & {
  readonly codecs?: CodecAt | undefined;
};

/** What a form stands on: a schema made ready, and codecs for places that nobody has chosen one for. */
export interface Ground {
  readonly schema: FormSchema;
  codec(facts: Facts): Codec;
  /** What a new record begins with, and the schema's defaults. */
  fill(begin: unknown): unknown;
  /** Waits for what checks values, and says when it has come; absent where it is there. */
  awaits?(form: Attended, arrived: () => void): readonly Attendant[];
  /** Moves entries and options; absent where a schema has neither lists nor choices. */
  moves?(form: Movable): Moves;
  /** Follows the expressions; absent where there are none. */
  express?(...args: ConstructorParameters<typeof FormExpressions>): FormExpressions;
  /** Follows rules and checks; absent where there are none. */
  attend?(form: Attended, options: Pick<FormOptions, 'rules' | 'checks'>): readonly Attendant[];
  /** Shows texts in their normal form while they are typed; absent where no place asks for it. */
  normal?(codec: Codec, raw: string, shown: string): string;
}
