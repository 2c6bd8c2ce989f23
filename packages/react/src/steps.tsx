/**
 * A form of several pages: each member of the whole that is a group or a list is one, other members that follow each
 * other share one. “Next” asks only for what stands on its page; the last page shows all that was filled in, and sends.
 */
import { joinPointer, type PlanGroup, type PlanNode, type Pointer, type Problem } from '@poietra/core';
import { Fragment, useEffect, useRef, useState, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import { useDrawing, type StepsProps } from './drawing.js';
import { useFollowed } from './follow.js';
import { Overview } from './overview.js';
import { isThere } from './planned.js';
import { focusFirst, revealing } from './reveal.js';
import { useScope, useWords } from './scope.js';
import { stepWords } from './words/step-words.js';
import { Button } from './part.js';

/** A page: the members that stand on it. Its name is the place of the first of them, in addresses too. */
interface Page {
  readonly name: string;
  readonly label: string;
  readonly hint: string | undefined;
  readonly members: readonly { readonly node: PlanNode; readonly at: Pointer }[];
}
/** The name of the last page, which is about the whole. */
export const overviewStep = '';

function pagesOf({ children }: PlanGroup, at: Pointer): Page[] {
  const pages: Page[] = [];
  let shared: PlanNode[] | undefined;
  for (const node of children) {
    const member = { node, at: joinPointer(at, node.name) };
    const isOwn = node.kind === 'group' || node.kind === 'list';
    const last = pages.at(-1);
    if (!isOwn && shared && last) pages[pages.length - 1] = { ...last, members: [...last.members, member] };
    else pages.push({ name: member.at, label: node.label, hint: isOwn ? node.hint : undefined, members: [member] });
    shared = isOwn ? undefined : [node];
  }
  return pages;
}

/** A form of several pages, one for each member. */
export function Steps({ node, at, closing, step, onStep }: StepsProps): ReactNode {
  const { form, asShown } = useScope();
  const words = useWords(stepWords);
  const { draw } = useDrawing();
  const box = useRef<HTMLDivElement>(null);
  const [own, setOwn] = useState(step);
  const [open, setOpen] = useState<readonly Problem[]>([]);
  const isToFocus = useRef(false);
  const all = pagesOf(node, at);
  const present = useFollowed(
    () =>
      JSON.stringify(
        all
          .filter(({ members }) => members.some((member) => isThere(form, member.node, member.at)))
          .map(({ name }) => name),
      ),
    [form, node, at],
  );
  const names = [...(JSON.parse(present) as string[]), overviewStep];
  const wanted = names.indexOf(onStep ? (step ?? names[0] ?? overviewStep) : (own ?? names[0] ?? overviewStep));
  const current = Math.max(0, wanted);
  const name = names[current] ?? overviewStep;

  const go = (to: string | undefined): void => {
    if (to === undefined) return;
    isToFocus.current = true;
    setOpen([]);
    setOwn(to);
    onStep?.(to);
  };
  // The page is drawn by now; its heading says where one is.
  useEffect(() => {
    if (!isToFocus.current) return;
    isToFocus.current = false;
    box.current?.querySelector<HTMLElement>('[data-step]:not([hidden]) > h2')?.focus();
  }, [name]);
  // A link to a field of another page opens that page, before the field gets the focus.
  useEffect(() => {
    const element = box.current;
    const listen = (event: Event): void => {
      const page = event.target instanceof HTMLElement ? event.target.dataset['step'] : undefined;
      if (page === undefined) return;
      flushSync(() => {
        setOpen([]);
        setOwn(page);
        onStep?.(page);
      });
    };
    element?.addEventListener(revealing, listen);
    return () => element?.removeEventListener(revealing, listen);
  }, [onStep]);

  /** Counts turned pages and presses: what was pressed before either waits in vain. */
  const turned = useRef(0);
  useEffect(() => void turned.current++, [name]);
  const next = (event: { preventDefault(): void }): void => {
    event.preventDefault();
    const pressed = ++turned.current;
    const waits = form.waitsFor();
    if (!waits) {
      turn();
      return;
    }
    // Where nobody could be asked the page can be turned all the same: it is sending that waits for an answer.
    void waits
      .catch(() => undefined)
      .then(() => {
        if (turned.current === pressed) latest.current();
      });
  };
  const turn = (): void => {
    const page = all.find((one) => one.name === name);
    const problems = page?.members.flatMap((member) => form.tellWithin(member.at)) ?? [];
    if (problems.length === 0) {
      go(names[current + 1]);
      return;
    }
    flushSync(() => setOpen(problems));
    focusFirst(box.current, form, problems);
  };
  // What is answered may bring pages along, or take them away: the way on is that of then.
  const latest = useRef(turn);
  useEffect(() => {
    latest.current = turn;
  });
  // Where no script runs, nobody could turn a page: all of them stand there.
  if (asShown)
    return (
      <>
        {all.flatMap(({ members }) =>
          members.map((member) => <Fragment key={member.at}>{draw(member.node, member.at)}</Fragment>),
        )}
        {closing}
      </>
    );
  return (
    <div ref={box} className="poietra-steps">
      <ol className="poietra-way" aria-label={words.pages}>
        {names.map((one, i) => (
          <li key={one} aria-current={i === current ? 'step' : undefined} data-done={i < current || undefined}>
            {i < current ? (
              <Button type="button" onClick={() => go(one)}>
                {labelOf(all, one, words.overview)}
              </Button>
            ) : (
              <span>{labelOf(all, one, words.overview)}</span>
            )}
          </li>
        ))}
      </ol>
      {all.map((page) => (
        <section key={page.name} data-step={page.name} hidden={page.name !== name} aria-label={page.label}>
          <h2 tabIndex={-1}>
            {page.label} <span className="poietra-hint">{words.page(names.indexOf(page.name) + 1, names.length)}</span>
          </h2>
          {page.hint !== undefined && <p className="poietra-hint">{page.hint}</p>}
          <div className="poietra-members">
            {page.members.map(({ node: member, at: place }) => (
              <div key={place} className="poietra-cell">
                {draw(member, place, { bare: member.kind === 'group' })}
              </div>
            ))}
          </div>
        </section>
      ))}
      <section data-step={overviewStep} hidden={name !== overviewStep} aria-label={words.overview}>
        <h2 tabIndex={-1}>
          {words.overview} <span className="poietra-hint">{words.page(names.length, names.length)}</span>
        </h2>
        {name === overviewStep &&
          all
            .filter((page) => names.includes(page.name))
            .map((page) => (
              <Overview key={page.name} label={page.label} members={page.members} onChange={() => go(page.name)} />
            ))}
      </section>
      <p role="status" className="poietra-error">
        {open.length === 0 ? '' : words.toMendOnPage(open.length)}
      </p>
      <div className="poietra-actions">
        {current > 0 && (
          <Button type="button" onClick={() => go(names[current - 1])}>
            {words.back}
          </Button>
        )}
        {name !== overviewStep && (
          // Enter in a field goes on, too.
          <Button type="submit" onClick={next}>
            {words.next}
          </Button>
        )}
      </div>
      {name === overviewStep && closing}
    </div>
  );
}

const labelOf = (pages: readonly Page[], name: string, otherwise: string): string =>
  pages.find((page) => page.name === name)?.label ?? otherwise;
