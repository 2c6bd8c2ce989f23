import { isWithin, type Pointer } from '@poietra/core';
import { useEffect, useId, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { useFollowed } from './follow.js';
import { usePart } from './part.js';
import { useScope, useWords } from './scope.js';
import { entryWords } from './words/entry-words.js';

export interface Tab {
  readonly key: string;
  readonly label: string;
  /** Where the problems stand that are counted on it. */
  readonly at: Pointer;
  readonly panel: ReactNode;
}

export interface TabsProps {
  readonly label: string;
  readonly tabs: readonly Tab[];
  /** A tab that is to be opened, and gets the focus: one that was just added. Another object asks again. */
  readonly wanted?: { readonly key: string } | undefined;
}

/** Parts behind tabs (WAI-ARIA, tabs with automatic activation). Panels that are not seen stay in the page, so nothing in them is lost. */
export function Tabs({ label, tabs, wanted }: TabsProps): ReactNode {
  const base = useId();
  const Tab = usePart('tab') ?? 'button';
  const list = useRef<HTMLDivElement>(null);
  const [chosen, setChosen] = useState<string>();
  const [opened, setOpened] = useState<TabsProps['wanted']>();
  if (opened !== wanted) {
    setOpened(wanted);
    if (wanted) setChosen(wanted.key);
  }
  useEffect(() => {
    if (wanted) list.current?.querySelector<HTMLElement>('[aria-selected=true]')?.focus();
  }, [wanted]);
  const active = Math.max(
    0,
    tabs.findIndex(({ key }) => key === chosen),
  );
  const press = (event: KeyboardEvent<HTMLElement>): void => {
    const target = { ArrowRight: active + 1, ArrowLeft: active - 1, Home: 0, End: tabs.length - 1 }[event.key];
    if (target === undefined) return;
    event.preventDefault();
    const next = tabs[(target + tabs.length) % tabs.length];
    setChosen(next?.key);
    event.currentTarget.querySelectorAll<HTMLElement>('[role=tab]')[(target + tabs.length) % tabs.length]?.focus();
  };
  return (
    <div className="poietra-tabs">
      <div ref={list} role="tablist" aria-label={label} onKeyDown={press}>
        {tabs.map(({ key, label: words, at }, i) => (
          <Tab
            key={key}
            type="button"
            role="tab"
            id={`${base}-tab-${key}`}
            aria-selected={i === active}
            aria-controls={`${base}-panel-${key}`}
            tabIndex={i === active ? 0 : -1}
            onClick={() => setChosen(key)}
          >
            {words} <Count at={at} />
          </Tab>
        ))}
      </div>
      {tabs.map(({ key, panel }, i) => (
        <div
          key={key}
          role="tabpanel"
          id={`${base}-panel-${key}`}
          aria-labelledby={`${base}-tab-${key}`}
          hidden={i !== active}
        >
          {panel}
        </div>
      ))}
    </div>
  );
}

/** How many things are wrong inside, of those that a person has been told. */
function Count({ at }: { readonly at: Pointer }): ReactNode {
  const { form } = useScope();
  const words = useWords(entryWords);
  const count = useFollowed(
    () =>
      form.problems().filter((problem) => isWithin(problem.at, at) && form.field(problem.at).shownProblems.length > 0)
        .length,
    [form, at],
  );
  return count > 0 ? (
    <span className="poietra-count" aria-label={words.toMendHere(count)}>
      {count}
    </span>
  ) : null;
}
