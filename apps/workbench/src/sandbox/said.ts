import { editableRules, standardFormats, type FormEdit, type PlanNode } from '@poietra/core';

/** One thing that a note says of a place, as data: what stands there, and the edit that says something else. */
export interface Said {
  /** What it is called: also the name of the box in which it is edited. */
  readonly label: string;
  /** Empty where the schema says nothing of it. */
  readonly value: string;
  readonly before?: string;
  readonly after?: string;
  readonly offers?: readonly string[];
  readonly choices?: readonly string[];
  /** What the sheet itself shows; the note says it when it is unfolded. */
  readonly isAside?: true;
  /** An expression: what it says at present stands behind it. */
  readonly isExpression?: boolean;
  edit(text: string): FormEdit;
}

const around: Readonly<Record<string, readonly [before: string, after?: string]>> = {
  minLength: ['at least', 'characters'],
  maxLength: ['at most', 'characters'],
  pattern: ['like'],
  format: ['as'],
  minimum: ['from'],
  maximum: ['to'],
  multipleOf: ['in steps of'],
  minItems: ['at least', 'entries'],
  maxItems: ['at most', 'entries'],
};

/** All that can be said of a place, in the order in which it is said. */
export function saidOf(node: PlanNode, at: string): Said[] {
  const kind = node.facts.kinds?.find((one) => one !== 'null') ?? '';
  return [
    {
      label: 'Hint',
      value: node.hint ?? '',
      before: 'with the hint',
      isAside: true,
      edit: (text) => ({ do: 'hint', text }),
    },
    ...(editableRules[kind] ?? []).map((keyword): Said => {
      const [before = '', after] = around[keyword] ?? [];
      return {
        label: keyword,
        value: ruleText(node, keyword),
        before,
        ...(after === undefined ? {} : { after }),
        ...(keyword === 'format' ? { offers: Object.keys(standardFormats) } : {}),
        edit: (text) => ({ do: 'rule', keyword, value: ruleValue(keyword, text) }),
      };
    }),
    {
      label: 'There only where',
      value: node.hints.condition ?? '',
      before: 'only where',
      isExpression: true,
      edit: (text) => ({ do: 'condition', text }),
    },
    ...(node.kind === 'field'
      ? [
          {
            label: 'Computed as',
            value: node.hints.computed ?? '',
            before: 'computed as',
            isExpression: true,
            edit: (text: string): FormEdit => ({ do: 'computed', text }),
          },
        ]
      : []),
    {
      label: 'Columns of twelve',
      value: typeof node.hints.span === 'number' ? String(node.hints.span) : '',
      before: 'over',
      isAside: true,
      after: 'of 12 columns',
      edit: (text) => {
        const span = Number(text);
        return { do: 'span', span: Number.isInteger(span) && span >= 1 && span <= 12 ? span : undefined };
      },
    },
    ...(node.kind === 'group' || node.kind === 'list'
      ? [
          {
            label: 'Layout',
            value: node.hints.layout ?? '',
            before: 'laid out as',
            isAside: true as const,
            choices: layoutsOf(node, at),
            edit: (text: string): FormEdit => ({ do: 'layout', layout: text === '' ? undefined : text }),
          },
        ]
      : []),
  ];
}

/** The text of a value that may be chosen, as a word that can be changed. */
export function choiceWord(
  { value, text }: { readonly value: unknown; readonly text: string },
  at: string,
): { readonly name: string; readonly value: string; edit(text: string): FormEdit } {
  return {
    name: `Choice ${JSON.stringify(value)} of ${at}`,
    value: text,
    edit: (next) => ({ do: 'choice', value: value as string | number | boolean | null, text: next }),
  };
}

/** What kind of value it is, in a word or two. */
export function kindWords({ kind, facts }: PlanNode): string {
  if (kind === 'group') return 'a group';
  if (kind === 'list') return 'a list';
  if (kind === 'chooser') return 'one of several shapes';
  if (facts.allowed) return `one of ${facts.allowed.length}`;
  const kinds = facts.kinds?.map((one) => plainWords[one] ?? one);
  return kinds ? kinds.join(' or ') : 'any value';
}
const plainWords: Readonly<Record<string, string>> = {
  string: 'text',
  integer: 'whole number',
  boolean: 'yes or no',
  array: 'list',
  null: 'nothing',
};

/** Pages are for the whole form only. */
function layoutsOf({ kind }: PlanNode, at: string): readonly string[] {
  if (kind === 'list') return ['', 'stack', 'table', 'tabs'];
  return ['', 'stack', 'row', 'grid', 'tabs', ...(at === '' ? ['steps'] : [])];
}

function ruleText({ facts }: PlanNode, keyword: string): string {
  if (keyword === 'pattern') return facts.patterns[0] ?? '';
  if (keyword === 'format') return facts.format ?? '';
  const limit = facts.limits[keyword];
  return limit === undefined ? '' : String(limit);
}
function ruleValue(keyword: string, text: string): string | number | undefined {
  if (text.trim() === '') return undefined;
  if (keyword === 'pattern' || keyword === 'format') return text;
  const value = Number(text);
  return Number.isFinite(value) ? value : undefined;
}
