import { describeValue, isSecret, planAt, type Form, type Plan, type PlanNode } from '@poietra/core';
import { useFollowed } from '@poietra/react';
import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';

/** A field on the sheet and where its notes go: beside it, or lower where a neighbour's note is in the way. */
interface Placed {
  readonly at: string;
  readonly y: number;
  readonly left: number;
  readonly right: number;
  readonly noteY: number;
}
interface Laid {
  readonly places: readonly Placed[];
  readonly width: number;
}
const noteHeight = 54;

/**
 * The margins of the proof: on the left what each field is, on the right what it carries. They are for the eye; the
 * value line below the sheet says the same of the focused field in words.
 */
export function Notes({
  form,
  plan,
  isEdited,
}: {
  readonly form: Form;
  readonly plan: Plan;
  /** The left margin then has handles to edit by. */
  readonly isEdited: boolean;
}): ReactNode {
  const anchor = useRef<HTMLDivElement>(null);
  const [{ places, width }, setLaid] = useState<Laid>({ places: [], width: 0 });
  useLayoutEffect(() => {
    const sheet = anchor.current?.parentElement?.querySelector('form');
    if (!sheet) return undefined;
    const measure = (): void => {
      const now: Laid = { places: placeNotes(sheet), width: sheet.offsetWidth };
      setLaid((before) => (JSON.stringify(before) === JSON.stringify(now) ? before : now));
    };
    const observer = new ResizeObserver(measure);
    observer.observe(sheet);
    measure();
    return () => observer.disconnect();
  }, [form, plan]);
  return (
    <div ref={anchor} className="notes" aria-hidden="true">
      <svg className="ties">
        {places.map(({ at, y, left, right, noteY }) => (
          <g key={at}>
            {/* Across the sheet a line would run over other fields; only what stands at a margin is tied to it. */}
            {left < 8 && !isEdited && <path d={`M -14 ${noteY + 8} H -8 L ${left - 2} ${y}`} />}
            {right > width - 8 && <path d={`M ${right + 2} ${y} L ${width + 8} ${noteY + 8} h 6`} />}
          </g>
        ))}
      </svg>
      {places.map(({ at, noteY }) => {
        const node = planAt(plan.root, at, (where, chooser) => form.chosen(where, chooser));
        return (
          <div key={at}>
            {!isEdited && (
              <div className="note note-left" style={{ top: noteY }}>
                <b>{at}</b>
                {node && <span>{rules(node)}</span>}
              </div>
            )}
            <Stations form={form} at={at} top={noteY} isHidden={isSecret(node)} />
          </div>
        );
      })}
    </div>
  );
}

function placeNotes(sheet: HTMLElement): Placed[] {
  const box = sheet.getBoundingClientRect();
  const all = [...sheet.querySelectorAll<HTMLElement>('.poietra-field[data-at]')];
  // What is folded away or behind another tab has no place beside which a note could stand.
  const fields = all
    .filter((field) => field.checkVisibility())
    .map((field) => {
      const place = field.getBoundingClientRect();
      return {
        at: field.dataset['at'] ?? '',
        y: Math.round(place.top - box.top + 10),
        left: Math.round(place.left - box.left),
        right: Math.round(place.right - box.left),
      };
    });
  fields.sort((a, b) => a.y - b.y || a.left - b.left);
  let free = 0;
  return fields.map((field) => {
    const noteY = Math.max(field.y - 8, free);
    free = noteY + noteHeight;
    return { ...field, noteY };
  });
}

function Stations({
  form,
  at,
  top,
  isHidden,
}: {
  readonly form: Form;
  readonly at: string;
  readonly top: number;
  /** What is a secret is nobody's to read. */
  readonly isHidden: boolean;
}): ReactNode {
  const { shown, held, sent } = useFollowed(() => {
    const field = form.field(at);
    if (isHidden) return { shown: '', held: '', sent: '' };
    return {
      shown: describeValue(field.shown, 0).text,
      held: describeValue(field.held, 0).text,
      sent: describeValue(field.sent, 0).text,
    };
  }, [form, at, isHidden]);
  // Three lines only where the stations differ; nothing is a dash.
  const isNothing = held === 'undefined' && sent === 'undefined' && (shown === '""' || shown === 'undefined');
  const isSame = shown === held && held === sent;
  return (
    <div className="note note-right" style={{ top }}>
      {isHidden ? (
        <span>a secret</span>
      ) : isNothing ? (
        <span>–</span>
      ) : isSame ? (
        <span>
          <span data-station="shown">○</span>
          <span data-station="held">●</span>
          <span data-station="sent">■</span> {shown}
        </span>
      ) : (
        <>
          <span data-station="shown">○ {shown}</span>
          <span data-station="held">● {held}</span>
          <span data-station="sent">■ {sent}</span>
        </>
      )}
    </div>
  );
}

function rules({ facts, required, when }: PlanNode): string {
  const limits = Object.entries(facts.limits).map(([keyword, limit]) => `${keyword} ${limit}`);
  const kind = facts.kinds?.join(' or ') ?? (facts.allowed ? 'one of a list' : 'any');
  const conditional = when.every((conditions) => conditions.length > 0);
  return [
    kind,
    facts.format,
    required && 'required',
    conditional && 'conditional',
    ...limits,
    ...facts.patterns.map((pattern) => `pattern ${pattern}`),
  ]
    .filter(Boolean)
    .join(' · ');
}
