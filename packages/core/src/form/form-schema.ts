import type { CompiledSchema, SaidNode } from '../schema/index.js';

/** What a form asks of its schema: a compiled one answers at once, one that was written out when the rest has come. */
export interface FormSchema extends Pick<CompiledSchema, 'follow' | 'messages'> {
  readonly root: SaidNode;
}
