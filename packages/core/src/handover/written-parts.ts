/** The parts of a plan that is written out, each once, however often it is met. */
import { labelFrom, type Planned, type PlanGroup, type PlanNode } from '../plan/index.js';
import type { Condition, Facts, SaidNode } from '../schema/index.js';
import { listSource, literal, objectSource, quoted } from './source.js';
import { NotWritable, type NodeWriter } from './written-nodes.js';

/** A plan of more parts than this is made when its application starts: what is seen of it is little. */
const mostParts = 2000;
/** As deep as a plan asks how deep a place lies. */
const deepest = 6;
/** A name that no member has. */
const anyName = '\u0001';

type Members = [name: string, source: string | undefined][];

export class PartWriter {
  readonly #numbers = new Map<string, number>();
  readonly #written: string[] = [];
  /** All that were written, for those who ask what a form is drawn with. */
  readonly nodes: PlanNode[] = [];
  readonly #ids = new Map<SaidNode, number>();

  /** `places` say what each part was made of. */
  constructor(
    private readonly conditions: Pick<NodeWriter, 'condition'>,
    private readonly places: Pick<ReadonlyMap<PlanNode, Planned>, 'get'>,
  ) {}

  write(root: PlanNode): readonly string[] {
    this.#number(root);
    return this.#written;
  }

  #number(node: PlanNode): number {
    const key = this.#key(node);
    const known = this.#numbers.get(key);
    if (known !== undefined) return known;
    const number = this.#numbers.size;
    if (number >= mostParts) throw new NotWritable(`its plan has more than ${mostParts} parts.`);
    this.#numbers.set(key, number);
    this.nodes.push(node);
    // Before what is below, which may contain it.
    this.#written[number] = '';
    this.#written[number] = this.#part(node);
    return number;
  }

  /** What a part is made of: two that are made of the same are the same part. */
  #key(node: PlanNode): string {
    const place = this.places.get(node);
    if (!place) throw new NotWritable('its plan was not made here.');
    const { at, name, required, around, settled } = place;
    return JSON.stringify([
      name,
      required,
      at.map((one) => [this.#id(one.node), one.when.map((condition) => this.conditions.condition(condition))]),
      settled,
      Math.min(around.depth, deepest),
      [...around.trail].sort(),
    ]);
  }
  #id(node: SaidNode): number {
    const id = this.#ids.get(node) ?? this.#ids.size;
    this.#ids.set(node, id);
    return id;
  }

  #part(node: PlanNode): string {
    return objectSource([...this.#base(node), ...this.#own(node)], '    ');
  }

  #base({ kind, name, label, hint, hints, when, facts, required }: PlanNode): Members {
    const isAlways = when.some((conditions) => conditions.length === 0);
    return [
      ['kind', quoted(kind)],
      ['name', name === '' || name === anyName ? undefined : quoted(name)],
      ['label', quoted(label === anyName ? '' : label)],
      ['hint', hint === undefined ? undefined : quoted(hint)],
      ['hints', Object.keys(hints).length === 0 ? undefined : literal(hints, '      ')],
      ['when', isAlways ? undefined : this.#when(when)],
      ['facts', factsSource(facts)],
      ['required', required ? 'true' : undefined],
    ];
  }
  #when(when: readonly (readonly Condition[])[]): string {
    return listSource(
      when.map((conditions) =>
        listSource(
          conditions.map((one) => this.conditions.condition(one)),
          '        ',
        ),
      ),
      '      ',
    );
  }

  #own(node: PlanNode): Members {
    switch (node.kind) {
      case 'field':
        return [
          ['field', node.use.field === undefined ? undefined : quoted(node.use.field)],
          ['use', node.use.field === undefined ? literal(node.use, '      ') : undefined],
          ['isNull', node.codec === node.use.codec ? undefined : 'true'],
          ['choices', node.choices && literal(node.choices, '      ')],
          ['fixed', node.fixed && literal(node.fixed, '      ')],
        ];
      case 'list':
        return [
          ['item', String(this.#number(node.item))],
          ['least', node.least === 0 ? undefined : String(node.least)],
          ['most', node.most === Infinity ? undefined : String(node.most)],
        ];
      case 'chooser':
        return [
          ['key', quoted(node.key)],
          ['pick', node.kinds && `(value) => kindAmong(${literal(node.kinds)}, value)`],
          [
            'options',
            listSource(
              node.options.map((option) =>
                objectSource([
                  ['label', quoted(option.label)],
                  ['part', String(this.#number(option.node))],
                ]),
              ),
              '      ',
            ),
          ],
          ...marks(node),
        ];
      case 'group':
        return [
          [
            'children',
            listSource(
              node.children.map((child) => String(this.#number(child))),
              '      ',
            ),
          ],
          ['tuple', node.tuple ? 'true' : undefined],
          ...marks(node),
          ['more', this.#more(node)],
        ];
    }
  }

  #more(node: PlanGroup): string | undefined {
    const { at = [] } = this.places.get(node) ?? {};
    if (!node.more) return undefined;
    const other = node.more(anyName);
    if (!other) return undefined;
    const needs = at
      .filter(({ when }) => when.length === 0)
      .flatMap(({ node: { rules } }) => rules.flatMap((rule) => (rule.kind === 'presence' ? [...rule.nameSet] : [])));
    return objectSource([
      ['part', String(this.#number(other))],
      ['isLabelled', String(other.label !== labelFrom(anyName))],
      ['needs', literal([...new Set(needs)])],
    ]);
  }
}

function marks({ again, onDemand }: { readonly again: boolean; readonly onDemand: boolean }): Members {
  return [
    ['again', again ? 'true' : undefined],
    ['onDemand', onDemand ? 'true' : undefined],
  ];
}

/** Facts that say something. Words and hints are the part's own by now. */
function factsSource({ title: _title, description: _description, hints: _hints, ...facts }: Facts): string | undefined {
  const said = Object.entries(facts).filter(
    ([name, value]) => value !== undefined && (telling.has(name) || (value !== false && !isEmpty(value))),
  );
  return said.length === 0 ? undefined : literal(Object.fromEntries(said), '      ');
}
/** Of these every value says something. */
const telling = new Set(['default', 'kinds', 'allowed']);
const isEmpty = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && Object.keys(value).length === 0;
