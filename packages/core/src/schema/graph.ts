/** The compiled graph of a schema for those who write it out: its nodes, and the way from one to its subschemas. */
import { joinPointer } from '../json/index.js';
import { Compiled, type CompiledSchema } from './compiled.js';
import { Compiler, type CompileOptions } from './compiler.js';
import type { SchemaNode } from './rule.js';
import { wholeEngine } from './whole-engine.js';

/** A compiled schema as its nodes, for those who write it out. */
export interface SchemaGraph {
  readonly root: SchemaNode;
  /** The same nodes, to be asked. */
  readonly compiled: CompiledSchema;
  /** The subschema at a keyword of a node, or below it. */
  below(node: SchemaNode, ...names: (string | number)[]): SchemaNode;
  /** The documents that were reached, by absolute URI, the schema itself left out. */
  readonly documents: Readonly<Record<string, unknown>>;
}

/**
 * Reads a schema with all that it refers to, as nodes.
 * @throws {SchemaError} and {LimitReached} as `compileSchema` does.
 */
export function readGraph(schema: unknown, options: CompileOptions): SchemaGraph {
  const compiler = new Compiler(options, wholeEngine);
  const root = compiler.compile(schema, options.uri ?? '');
  const documents: Record<string, unknown> = {};
  for (const { document, root: held, at } of compiler.registry.resources)
    if (document !== '' && at === '') documents[document] = held;
  return {
    root,
    compiled: new Compiled(compiler, root),
    documents,
    below: (node, ...names) => {
      const raw = names.reduce<unknown>((inner, name) => (inner as Record<string | number, unknown>)[name], node.raw);
      return compiler.nodeAt({ raw, resource: node.resource, at: names.reduce<string>(joinPointer, node.at) });
    },
  };
}
