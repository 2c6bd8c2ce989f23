/** What was filled in, to be read: labels and values of the places that are there. */
import {
  isSecret,
  joinPointer,
  parsePointer,
  type Form,
  type PlanField,
  type PlanNode,
  type Pointer,
} from '@poietra/core';
import { Fragment, type ReactNode } from 'react';
import { useFollowed } from './follow.js';
import { sentText } from './given.js';
import { isThere } from './planned.js';
import { useScope } from './scope.js';

interface Line {
  readonly at: Pointer;
  readonly words: readonly string[];
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
  const lines = useFollowed(
    () => {
      void form.version.value;
      return members.flatMap(({ node, at }) => linesOf(form, node, at, members.length > 1 ? [node.label] : []));
    },
    [form, members],
    (a, b) => JSON.stringify(a) === JSON.stringify(b),
  );
  return (
    <section className="poietra-overview" aria-label={label}>
      <h3>
        {label}{' '}
        <button type="button" aria-label={`Change ${label}`} onClick={onChange}>
          Change
        </button>
      </h3>
      {lines.length === 0 ? (
        <p className="poietra-hint">Nothing is filled in here.</p>
      ) : (
        <dl>
          {lines.map(({ at, words, text }) => (
            <Fragment key={at}>
              <dt>{words.length === 0 ? label : words.join(', ')}</dt>
              <dd>{text}</dd>
            </Fragment>
          ))}
        </dl>
      )}
    </section>
  );
}

function linesOf(form: Form, node: PlanNode, at: Pointer, words: readonly string[]): Line[] {
  if (!isThere(form, node, at)) return [];
  if (node.kind === 'field') {
    const text = textOf(form, node, at);
    return text === undefined ? [] : [{ at, words, text }];
  }
  if (node.kind === 'chooser') {
    const option = node.options[form.chosen(at, node)];
    return option ? linesOf(form, option.node, at, words) : [];
  }
  const value = form.valueAt(at);
  if (typeof value !== 'object' || value === null) return [];
  if (node.kind === 'list')
    return Object.keys(value).flatMap((index) => {
      const name = node.item.label === '' || node.item.label === '*' ? 'Entry' : node.item.label;
      return linesOf(form, node.item, joinPointer(at, index), [...words, `${name} ${Number(index) + 1}`]);
    });
  const named = node.children.flatMap((child) =>
    linesOf(form, child, joinPointer(at, child.name), [...words, child.label]),
  );
  const more = Object.keys(value).flatMap((name) => {
    const other = node.children.some((child) => child.name === name) ? undefined : node.more?.(name);
    return other ? linesOf(form, other, joinPointer(at, name), [...words, name]) : [];
  });
  return [...named, ...more];
}

/** A value as a person would read it; nothing where nothing is there. A secret stays one. */
function textOf(form: Form, node: PlanField, at: Pointer): string | undefined {
  const { sent, shown } = form.field(at);
  const known = shown === undefined || shown === null || shown === '' ? sent : shown;
  if (known === undefined || known === '' || known === null) return undefined;
  if (isSecret(node)) return '••••';
  const wordsOf = (value: unknown): string | undefined =>
    node.choices?.find((choice) => JSON.stringify(choice.value) === JSON.stringify(value))?.text;
  const list = Array.isArray(sent) ? sent : [sent];
  const chosen = list.map(wordsOf);
  if (node.choices && chosen.every((text) => text !== undefined)) return chosen.join(', ');
  if (typeof sent === 'boolean') return sent ? 'yes' : 'no';
  return typeof shown === 'string' && parsePointer(at).length > 0 ? shown : (sentText(sent) ?? undefined);
}
