/** A schema that was written out: a form reads it at once; what is wrong with a value is told when the rest has come. */
import { isObject, ownMember, type Pointer } from '../json/index.js';
import type { FormSchema } from '../form/index.js';
import type { Choice, CompiledSchema, Recheck, SaidNode, SaidRule } from '../schema/index.js';
import type { WrittenChoice, WrittenForm, WrittenNode, WrittenRule } from './nodes.js';

/** A choice asks the compiled schema as soon as there is one: of a value that fits no branch it knows which was meant. */
type Settled = ReadonlyMap<string, Choice>;

const nothingKnown: Recheck = { valid: true, problems: [], touched: new Set() };

export class WrittenSchema implements FormSchema {
  readonly root: SaidNode;
  readonly messages = {};
  readonly choices = new Map<string, Choice>();
  #compiled: CompiledSchema | undefined;
  #coming: Promise<void> | undefined;
  #settled: Settled = new Map();

  constructor(private readonly written: Pick<WrittenForm, 'nodes' | 'accepts' | 'checks'>) {
    const { nodes } = written;
    const made = nodes.map(({ says = {} }) => ({
      raw: says,
      resource: { document: '' },
      at: '',
      rules: [] as readonly SaidRule[],
    }));
    const at = (number: number): SaidNode => made[number] ?? nowhere;
    nodes.forEach((node, i) => {
      const own = made[i];
      if (!own) return;
      own.rules = (node.rules ?? []).flatMap((rule) => ruleOf(rule, node, at, (choice) => this.#choice(choice, at)));
      // How many positions have a schema of their own is read from the keyword itself.
      const positions = node.rules?.find((rule) => rule[0] === 'prefixItems')?.[1];
      if (positions) own.raw = { ...node.says, prefixItems: positions };
    });
    this.root = at(0);
  }

  /** Whether a value is accepted, where the written form says so. */
  accepts(value: unknown): boolean {
    return this.written.accepts?.(value) ?? true;
  }

  /** Fetches what checks values; absent once it is there. A fetch that failed is tried again by the next call. */
  get arrives(): (() => Promise<void>) | undefined {
    if (this.#compiled) return undefined;
    return () =>
      (this.#coming ??= this.#fetch().catch((error: unknown) => {
        this.#coming = undefined;
        throw error;
      }));
  }
  async #fetch(): Promise<void> {
    const { compiled, choices } = await this.written.checks();
    this.#settled = choices;
    this.#compiled = compiled;
  }

  follow(chosen?: Parameters<CompiledSchema['follow']>[0]): Pick<CompiledSchema, 'recheck'> {
    let memory: Pick<CompiledSchema, 'recheck'> | undefined;
    return {
      recheck: (value: unknown, changedAt: Pointer) => {
        memory ??= this.#compiled?.follow(chosen);
        return memory?.recheck(value, changedAt) ?? nothingKnown;
      },
    };
  }

  #choice({ id, nodes, fits, telling }: WrittenChoice, at: (number: number) => SaidNode): Choice {
    const choice: Choice = {
      id,
      nodes: nodes.map(at),
      best: (value) => {
        const known = this.#settled.get(id);
        if (known) return known.best(value);
        const index = fits.findIndex((test) => test(value));
        if (index >= 0 || !telling || !isObject(value)) return index < 0 ? undefined : index;
        const told = telling.values.findIndex((values) => values.includes(ownMember(value, telling.name)));
        return told < 0 ? undefined : told;
      },
    };
    this.choices.set(id, choice);
    return choice;
  }
}

const nowhere: SaidNode = { raw: {}, resource: { document: '' }, at: '', rules: [] };

function ruleOf(
  rule: WrittenRule,
  { rules = [] }: WrittenNode,
  at: (number: number) => SaidNode,
  choiceOf: (choice: WrittenChoice) => Choice,
): SaidRule | [] {
  const [keyword] = rule;
  switch (rule[0]) {
    case 'properties': {
      const members = new Map(Object.entries(rule[1]).map(([name, one]) => [name, [at(one)]]));
      const names = [...members.keys()];
      return membersRule(
        keyword,
        (key) => members.get(String(key)) ?? [],
        () => names,
      );
    }
    case 'additionalProperties': {
      const others = [at(rule[1])];
      return membersRule(keyword, (key) =>
        rules.some((one) => one[0] === 'properties' && Object.hasOwn(one[1], String(key))) ? [] : others,
      );
    }
    case 'prefixItems':
      return membersRule(keyword, (key) => rule[1].slice(Number(key), Number(key) + 1).map(at));
    case 'items': {
      const from = rules.find((one) => one[0] === 'prefixItems')?.[1].length ?? 0;
      const items = [at(rule[1])];
      return membersRule(keyword, (key) => (Number(key) >= from ? items : []));
    }
    case 'required':
      return { kind: 'presence', keyword, nameSet: new Set(rule[1]) };
    case 'allOf':
      return { kind: 'within', keyword, nodes: rule[1].map(at) };
    case 'if': {
      const [, test, yes, no] = rule;
      const node = (one: number | undefined): SaidNode | undefined => (one === undefined ? undefined : at(one));
      return {
        kind: 'whole',
        keyword,
        branching: { kind: 'if', asks: test, yes: node(yes), no: node(no) },
      };
    }
    case 'dependentSchemas': {
      const entries = Object.entries(rule[1]).map(([name, one]) => [name, at(one)] as const);
      return { kind: 'whole', keyword, branching: { kind: 'present', entries } };
    }
    case 'oneOf':
      return { kind: 'whole', keyword, branching: { kind: 'choice', ...choiceOf(rule[1]) } };
  }
}

function membersRule(
  keyword: string,
  nodesFor: (key: string | number) => readonly SaidNode[],
  keys: () => readonly string[] = () => [],
): SaidRule {
  return { kind: 'members', keyword, inner: [], keys, nodesFor };
}
