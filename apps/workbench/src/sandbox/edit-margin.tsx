import { eachNode, planAt, type Form, type Plan, type PlanNode } from '@poietra/core';
import { useEffect, useLayoutEffect, useRef, useState, useSyncExternalStore, type ReactNode } from 'react';
import { EditNote } from './edit-note.js';
import type { FormToOpen } from './messages.js';
import { SpanEdges } from './span-edges.js';
import { tell } from './tell.js';
import { TextInPlace } from './text-in-place.js';

interface Spot {
  readonly at: string;
  readonly top: number;
  /** Of the place on the sheet, where it stands at the margin: a line ties its note to it. */
  readonly y?: number;
}
interface Laid {
  readonly spots: readonly Spot[];
  /** Where the notes of what is not in sight begin, and where all end. */
  readonly unseen: number;
  readonly end: number;
}
/** Between two notes, in pixels. */
const between = 6;
/** So many places that are not in sight have a note; more would be a list of their own. */
const mostUnseen = 60;

/** Where there is no room beside the sheet: a note comes below the place where one is, one at a time. */
const narrowest = '(max-width: 620px)';
function followNarrow(tell: () => void): () => void {
  const narrow = matchMedia(narrowest);
  narrow.addEventListener('change', tell);
  return () => narrow.removeEventListener('change', tell);
}

/**
 * The left margin while the sheet is edited: the note of each place beside it, lower where another is in the way. On a
 * narrow sheet only the note of the place where one is, below it.
 */
export function EditMargin({
  form,
  plan,
  open,
}: {
  readonly form: Form;
  readonly plan: Plan;
  readonly open: FormToOpen;
}): ReactNode {
  const anchor = useRef<HTMLDivElement>(null);
  const [{ spots, unseen, end }, setLaid] = useState<Laid>({ spots: [], unseen: 0, end: 0 });
  const [unfolded, setUnfolded] = useState<string>();
  const [dragged, setDragged] = useState<PlanNode>();
  const isNarrow = useSyncExternalStore(
    followNarrow,
    () => matchMedia(narrowest).matches,
    // Drawn on the server, where there is no window.
    () => false,
  );
  const [near, setNear] = useState<string>();
  useEffect(() => {
    const sheet = anchor.current?.parentElement?.querySelector('form');
    const come = ({ target }: Event): void =>
      setNear((target as HTMLElement).closest<HTMLElement>('[data-at]')?.dataset['at']);
    sheet?.addEventListener('focusin', come);
    sheet?.addEventListener('pointerdown', come);
    return () => {
      sheet?.removeEventListener('focusin', come);
      sheet?.removeEventListener('pointerdown', come);
    };
  }, [form, plan]);
  useLayoutEffect(() => {
    const margin = anchor.current;
    const sheet = margin?.parentElement?.querySelector('form');
    if (!margin || !sheet) return undefined;
    const measure = (): void => {
      const next = isNarrow ? laidBelow(sheet, margin) : laidOut(sheet, margin);
      setLaid((before) => (JSON.stringify(before) === JSON.stringify(next) ? before : next));
    };
    // A note that grows pushes those below it: both sides are watched.
    const observer = new ResizeObserver(measure);
    observer.observe(sheet);
    const watch = (): void => {
      for (const note of margin.querySelectorAll('.edit-note')) observer.observe(note);
      measure();
    };
    const changes = new MutationObserver(watch);
    changes.observe(sheet, { childList: true, subtree: true, attributes: true, attributeFilter: ['open', 'hidden'] });
    changes.observe(margin, { childList: true });
    watch();
    return () => {
      observer.disconnect();
      changes.disconnect();
    };
  }, [form, plan, isNarrow]);
  // The notes may need more room than the form does.
  useLayoutEffect(() => {
    const copy = anchor.current?.parentElement;
    if (copy) copy.style.minHeight = `${end}px`;
    return () => void copy?.style.removeProperty('min-height');
  }, [end]);
  const nodeAt = (at: string): PlanNode | undefined =>
    planAt(plan.root, at, (where, chooser) => form.chosen(where, chooser));
  const ownerOf = (node: PlanNode): string => node.schemaAt.replace(/\/properties\/[^/]+$/, '');
  const drop = (node: PlanNode): void => {
    if (dragged && dragged !== node)
      tell({
        kind: 'edit',
        schemaAt: dragged.schemaAt,
        label: dragged.label.slice(0, 200),
        // On a member of another group: into that group.
        edit:
          ownerOf(dragged) === ownerOf(node)
            ? { do: 'place', before: node.name }
            : { do: 'into', group: ownerOf(node) },
      });
    setDragged(undefined);
  };
  const noteOf = (node: PlanNode, at: string, top: number | undefined): ReactNode => (
    <EditNote
      key={at}
      node={node}
      plan={plan}
      at={at}
      form={form}
      open={open}
      isNear={near === at}
      isUnfolded={unfolded === at}
      style={top === undefined ? undefined : { top }}
      onFold={() => setUnfolded(unfolded === at ? undefined : at)}
      onDrag={setDragged}
      takesDrop={() => dragged !== undefined}
      onDrop={drop}
    />
  );
  const beside = new Set(spots.map(({ at }) => at));
  const hidden = [...(beside.has('') ? [] : [{ node: plan.root, at: '' }]), ...hiddenPlaces(plan, beside)];
  return (
    <div ref={anchor} className="edit-margin">
      <svg className="edit-ties" aria-hidden="true">
        {spots.map(({ at, top, y }) => y !== undefined && <path key={at} d={`M 0 ${top + 10} L 12 ${y + 10}`} />)}
      </svg>
      <SpanEdges form={form} plan={plan} />
      <TextInPlace form={form} plan={plan} />
      {spots.map(({ at, top }) => {
        const node = nodeAt(at);
        return node && noteOf(node, at, top);
      })}
      {/* Before the sheet has been measured, nothing is known to be out of sight. */}
      {spots.length > 0 && hidden.length > 0 && (
        <section className="edit-unseen" aria-label="Not in sight" style={{ top: unseen }}>
          <h2>Not in sight: folded away, on another page, or out of force</h2>
          {hidden.map(({ node, at }) => noteOf(node, at, undefined))}
        </section>
      )}
    </div>
  );
}

/** Each note below its place; that of the whole and of what is not in sight below the sheet. */
function laidBelow(sheet: HTMLElement, margin: HTMLElement): Laid {
  const base = sheet.getBoundingClientRect();
  const spots = [...sheet.querySelectorAll<HTMLElement>('[data-at]')]
    .filter((one) => one.checkVisibility())
    .map((one): Spot => ({
      at: one.dataset['at'] ?? '',
      top: Math.round(one.getBoundingClientRect().bottom - base.top),
    }));
  const rest = margin.querySelector<HTMLElement>('.edit-unseen')?.offsetHeight ?? 0;
  const unseen = Math.round(base.height) + between;
  return { spots, unseen, end: unseen + rest + between };
}

/** Each note beside its place, below the notes before it. */
function laidOut(sheet: HTMLElement, margin: HTMLElement): Laid {
  const base = sheet.getBoundingClientRect().top;
  const heights = new Map(
    [...margin.querySelectorAll<HTMLElement>('.edit-note')].map((note) => [note.dataset['note'], note.offsetHeight]),
  );
  const seen = [...sheet.querySelectorAll<HTMLElement>('[data-at]')].filter((one) => one.checkVisibility());
  const left = sheet.getBoundingClientRect().left;
  const atMargin = new Set(
    seen.filter((one) => one.getBoundingClientRect().left - left < 8).map((one) => one.dataset['at']),
  );
  const places = new Map([
    ['', -20],
    ...seen.map((one) => [one.dataset['at'] ?? '', one.getBoundingClientRect().top - base] as const),
  ]);
  let free = -20;
  const spots = [...places].map(([at, y]): Spot => {
    const top = Math.max(free, Math.round(y));
    free = top + (heights.get(at) ?? 40) + between;
    return { at, top, ...(at !== '' && atMargin.has(at) ? { y: Math.round(y) } : {}) };
  });
  const rest = margin.querySelector<HTMLElement>('.edit-unseen')?.offsetHeight ?? 0;
  return { spots, unseen: free + between, end: free + rest + between };
}

/** Named places of the plan that have no note beside them; entries of lists are found where they stand. */
function hiddenPlaces(plan: Plan, seen: ReadonlySet<string>): { readonly node: PlanNode; readonly at: string }[] {
  const found = new Map<string, PlanNode>();
  eachNode(plan.root, '', 5, (node, at) => {
    if (
      at !== '' &&
      !seen.has(at) &&
      !at.includes('/*') &&
      node.label !== '' &&
      found.size < mostUnseen &&
      !found.has(at)
    )
      found.set(at, node);
  });
  return [...found].map(([at, node]) => ({ at, node }));
}
