/** What stands inside an input: parts of its package, in one another, and words; each changed where it stands. */
import type { Inside } from '@poietra/core';
import type { ReactNode } from 'react';
import { SlotText } from '../../parts/slot.js';
import { ComponentSlot, isNamed, ObjectSlot } from './component-slot.js';

interface Props {
  readonly inside: readonly Inside[];
  /** Components of its package that may be meant. */
  readonly known: readonly string[];
  onChange(inside: readonly Inside[]): void;
}

export function PutTogether({ inside, known, onChange }: Props): ReactNode {
  return (
    <div
      className="grid gap-1 text-[13px]"
      title="Some components are put together of parts. They are bundled from the same project folder."
    >
      <p>Inside it {inside.length === 0 ? 'stands ' : 'stand, in this order:'}</p>
      <List parts={inside} of="the input" known={known} onChange={onChange} />
    </div>
  );
}

interface ListProps {
  readonly parts: readonly Inside[];
  /** What they stand in, in words. */
  readonly of: string;
  readonly known: readonly string[];
  onChange(parts: readonly Inside[]): void;
}

function List({ parts, of, known, onChange }: ListProps): ReactNode {
  const put = (index: number, ...now: readonly Inside[]): void =>
    onChange([...parts.slice(0, index), ...now, ...parts.slice(index + 1)]);
  return (
    <ul className="grid gap-1 border-l border-hairline pl-2">
      {parts.map((part, index) => (
        <li key={index} className="grid gap-1">
          <p>
            {'words' in part ? (
              <Words part={part} onChange={(...now) => put(index, ...now)} />
            ) : (
              <Component part={part} known={known} onChange={(...now) => put(index, ...now)} />
            )}
            {index > 0 && (
              <button
                type="button"
                aria-label={`Move ${wordsOf(part)} up`}
                className="ml-1 min-h-6 min-w-6 rounded-sm hover:bg-mark"
                onClick={() => {
                  onChange([
                    ...parts.slice(0, index - 1),
                    part,
                    ...parts.slice(index - 1, index),
                    ...parts.slice(index + 1),
                  ]);
                }}
              >
                ↑
              </button>
            )}
          </p>
          {'component' in part && (
            <List
              parts={part.inside ?? []}
              of={shortName(part.component)}
              known={known}
              onChange={(inner) => {
                const { inside: _, ...rest } = part;
                put(index, { ...rest, ...(inner.length > 0 ? { inside: inner } : {}) });
              }}
            />
          )}
        </li>
      ))}
      <li>
        <SlotText
          label={`Another part in ${of}`}
          value=""
          words={parts.length === 0 ? 'nothing' : 'nothing else'}
          choices={known}
          onChange={(text) => {
            if (text.trim() === '') return;
            onChange([...parts, isNamed(text.trim()) ? { component: text.trim() } : { words: text }]);
          }}
        />
        .
      </li>
    </ul>
  );
}

/** As one writes it in a script: all members, each under its own name (ECMAScript, “spread”). */
const allGiven = '...';
const shortName = (component: string): string => component.slice(component.indexOf('#') + 1);
const wordsOf = (part: Inside): string => ('words' in part ? `“${part.words}”` : shortName(part.component));

function Component({
  part,
  known,
  onChange,
}: {
  readonly part: Extract<Inside, { component: string }>;
  readonly known: readonly string[];
  onChange(...now: readonly Inside[]): void;
}): ReactNode {
  const name = shortName(part.component);
  return (
    <>
      <ComponentSlot
        label={`Part ${name}`}
        value={part.component}
        choices={known}
        onChange={(component) => (component === '' ? onChange() : onChange({ ...part, component }))}
      />
      , with{' '}
      <ObjectSlot
        label={`Properties of ${name}`}
        value={part.properties}
        like='{"slot": "start"}'
        onChange={(properties) => {
          const { properties: _, ...rest } = part;
          onChange({ ...rest, ...(properties ? { properties } : {}) });
        }}
      />
      , put{' '}
      <SlotText
        label={`Where ${name} goes`}
        value={part.at ?? ''}
        words={part.at === undefined ? 'inside' : `in as ${part.at}`}
        onChange={(text) => {
          const { at: _, ...rest } = part;
          onChange({ ...rest, ...(text.trim() === '' ? {} : { at: text.trim() }) });
        }}
      />
      , drawn{' '}
      <SlotText
        label={`Given to ${name}`}
        value={part.given === true ? allGiven : (part.given ?? '')}
        words={
          part.given === undefined
            ? 'as it is'
            : part.given === true
              ? 'with all that is given to it'
              : `with what is given to it as ${part.given}`
        }
        choices={[allGiven]}
        onChange={(text) => {
          const { given: _, ...rest } = part;
          const said = text.trim();
          onChange({ ...rest, ...(said === '' ? {} : { given: said === allGiven ? (true as const) : said }) });
        }}
      />
    </>
  );
}

const whens = { always: undefined, 'while chosen': 'chosen', 'while not chosen': 'not chosen' } as const;
const wholes = {
  'as they are': undefined,
  'the words of the choice': 'choice',
  'the words of what is chosen': 'chosen',
} as const;

function Words({
  part,
  onChange,
}: {
  readonly part: Extract<Inside, { words: string }>;
  onChange(...now: readonly Inside[]): void;
}): ReactNode {
  const { words, of, when, silent } = part;
  const say = (more: Partial<Record<'of' | 'when' | 'silent', unknown>>): void => {
    const next = { of, when, silent, ...more } as { of: typeof of; when: typeof when; silent: typeof silent };
    // What says nothing in no way is not there.
    if (words === '' && !next.of) return onChange();
    onChange({
      words,
      ...(next.of ? { of: next.of } : {}),
      ...(next.when ? { when: next.when } : {}),
      ...(next.silent ? { silent: true } : {}),
    });
  };
  const named = words === '' ? 'the words of a choice' : `“${words}”`;
  return (
    <>
      <SlotText
        label={`Words ${named}`}
        value={words}
        words={words === '' ? 'no words of its own' : `“${words}”`}
        onChange={(text) => (text === '' && of === undefined ? onChange() : onChange({ ...part, words: text }))}
      />
      : <Pick label={`What ${named} are`} of={wholes} value={of} onPick={(picked) => say({ of: picked })} />,{' '}
      <Pick label={`When ${named} stand`} of={whens} value={when} onPick={(picked) => say({ when: picked })} />
      {when === undefined && (
        <>
          ,{' '}
          <Pick
            label={`Who ${named} are for`}
            of={{ 'for everybody': undefined, 'not for screen readers': true } as const}
            value={silent}
            onPick={(picked) => say({ silent: picked })}
          />
        </>
      )}
    </>
  );
}

/** One of a few words; anything else is refused with what there is. */
function Pick<T>(props: {
  readonly label: string;
  readonly of: Readonly<Record<string, T>>;
  readonly value: T;
  onPick(value: T): void;
}): ReactNode {
  const { label, of, value, onPick } = props;
  const said = Object.keys(of).find((one) => of[one] === value) ?? '';
  return (
    <SlotText
      label={label}
      value={said}
      mono={false}
      choices={Object.keys(of)}
      onChange={(text) => {
        if (!Object.hasOwn(of, text.trim())) throw new TypeError(`Here stands “${Object.keys(of).join('”, “')}”.`);
        onPick(of[text.trim()] as T);
      }}
    />
  );
}
