/** What was filled in, to be read: labels and values of the places that are there. */
import {
  isSecret,
  joinPointer,
  parsePointer,
  type DrawnWords,
  type Form,
  type PlanField,
  type PlanNode,
  type Pointer,
} from '@poietra/core';
import { Fragment, type ReactNode } from 'react';
import { useFollowed } from './follow.js';
import { sentText } from './given.js';
import { isThere } from './planned.js';
import { useScope, useWords } from './scope.js';
import { fieldWords } from './words/field-words.js';
import { stepWords } from './words/step-words.js';
import { Button } from './part.js';

interface Line {
  readonly at: Pointer;
  readonly labels: readonly string[];
  readonly text: string;
}

export function Overview({
  label,
  members,
  onChange,
}: {
  readonly label: string;
  readonly members: readonly { readonly node: PlanNode; readonly at: Pointer }[];
  onChange(): void;
}): ReactNode {
  const { form } = useScope();
  const words = useWords(overviewWords);
  const lines = useFollowed(
    () => {
      void form.version.value;
      const drawn = { form, words };
      return members.flatMap(({ node, at }) => linesOf(drawn, node, at, members.length > 1 ? [node.label] : []));
    },
    [form, members, words],
    (a, b) => JSON.stringify(a) === JSON.stringify(b),
  );
  return (
    <section className="poietra-overview" aria-label={label}>
      <h3>
        {label}{' '}
        <Button type="button" aria-label={words.changeOf(label)} onClick={onChange}>
          {words.change}
        </Button>
      </h3>
      {lines.length === 0 ? (
        <p className="poietra-hint">{words.nothingFilledIn}</p>
      ) : (
        <dl>
          {lines.map(({ at, labels, text }) => (
            <Fragment key={at}>
              <dt>{labels.length === 0 ? label : labels.join(', ')}</dt>
              <dd>{text}</dd>
            </Fragment>
          ))}
        </dl>
      )}
    </section>
  );
}

interface Drawn {
  readonly form: Form;
  readonly words: Pick<DrawnWords, 'entry' | 'yes' | 'no' | 'inWords'>;
}

function linesOf(drawn: Drawn, node: PlanNode, at: Pointer, labels: readonly string[]): Line[] {
  const { form, words } = drawn;
  if (!isThere(form, node, at)) return [];
  if (node.kind === 'field') {
    const text = textOf(drawn, node, at);
    return text === undefined ? [] : [{ at, labels, text }];
  }
  if (node.kind === 'chooser') {
    const option = node.options[form.chosen(at, node)];
    return option ? linesOf(drawn, option.node, at, labels) : [];
  }
  const value = form.valueAt(at);
  if (typeof value !== 'object' || value === null) return [];
  if (node.kind === 'list')
    return Object.keys(value).flatMap((index) => {
      const name = node.item.label === '' || node.item.label === '*' ? words.entry : node.item.label;
      return linesOf(drawn, node.item, joinPointer(at, index), [...labels, `${name} ${Number(index) + 1}`]);
    });
  const named = node.children.flatMap((child) =>
    linesOf(drawn, child, joinPointer(at, child.name), [...labels, child.label]),
  );
  const more = Object.keys(value).flatMap((name) => {
    const other = node.children.some((child) => child.name === name) ? undefined : node.more?.(name);
    return other ? linesOf(drawn, other, joinPointer(at, name), [...labels, name]) : [];
  });
  return [...named, ...more];
}

const overviewWords = { ...stepWords, ...fieldWords };

/** A value as a person would read it; nothing where nothing is there. A secret stays one. */
function textOf({ form, words }: Drawn, node: PlanField, at: Pointer): string | undefined {
  const { sent, shown } = form.field(at);
  const known = shown === undefined || shown === null || shown === '' ? sent : shown;
  if (known === undefined || known === '' || known === null) return undefined;
  if (isSecret(node)) return '••••';
  const wordsOf = (value: unknown): string | undefined =>
    words.inWords(node.choices)?.find((choice) => JSON.stringify(choice.value) === JSON.stringify(value))?.text;
  const list = Array.isArray(sent) ? sent : [sent];
  const chosen = list.map(wordsOf);
  if (node.choices && chosen.every((text) => text !== undefined)) return chosen.join(', ');
  if (typeof sent === 'boolean') return sent ? words.yes : words.no;
  return typeof shown === 'string' && parsePointer(at).length > 0 ? shown : (sentText(sent) ?? undefined);
}
