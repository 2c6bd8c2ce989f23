import type { DeclaredProperty, FoundInput } from '@poietra/core';
import type { ReactNode } from 'react';
import { SlotText } from '../../parts/slot.js';

interface Props {
  readonly input: FoundInput;
  /** Names that findings speak of: they come first. */
  readonly used: ReadonlySet<string>;
  /** Properties that the adapter sets; others may be given a constant value. */
  readonly taken: ReadonlySet<string>;
  readonly constants: Readonly<Record<string, unknown>>;
  onChange(constants: Readonly<Record<string, unknown>>): void;
}

/** What an input declares. A property that nobody sets can be given a constant value, where it stands, by its type. */
export function Declared({ input, used, taken, constants, onChange }: Props): ReactNode {
  const properties = [...input.properties].sort(
    (a, b) =>
      Number(used.has(b.name)) - Number(used.has(a.name)) ||
      Number(a.inherited ?? false) - Number(b.inherited ?? false),
  );
  const give = (name: string, value: unknown): void => {
    const rest = Object.fromEntries(Object.entries(constants).filter(([key]) => key !== name));
    onChange(value === undefined ? rest : { ...rest, [name]: value });
  };
  return (
    <section aria-label="Declared" className="h-full overflow-auto p-3 text-[13px]" tabIndex={0}>
      <h2>
        Declares <span className="mono font-normal text-ink-2">{properties.length}</span>
      </h2>
      {input.says !== undefined && <p className="mb-2 text-ink-2">{input.says}</p>}
      <dl className="grid grid-cols-[minmax(0,1fr)] gap-1">
        {properties.map((property) => (
          <div key={property.name}>
            <dt className="flex items-baseline justify-between gap-1">
              <span className={`mono ${used.has(property.name) ? 'font-semibold text-held' : ''}`}>
                {property.name}
              </span>
              {!property.args && !taken.has(property.name) && (
                <Constant property={property} value={constants[property.name]} onChange={give} />
              )}
            </dt>
            <dd className="pl-2 wrap-anywhere text-ink-2" title={property.says}>
              {property.type}
            </dd>
          </div>
        ))}
        {input.events.map(({ name, says }) => (
          <div key={`event ${name}`}>
            <dt className={`mono ${used.has(name) ? 'font-semibold text-held' : ''}`}>{name}</dt>
            <dd className="pl-2 text-ink-2">event. {says}</dd>
          </div>
        ))}
        {input.methods.length > 0 && (
          <div>
            <dt>methods</dt>
            <dd className="mono pl-2 wrap-anywhere text-ink-2">{input.methods.slice(0, 40).join(', ')}</dd>
          </div>
        )}
        {input.parts && (
          <div>
            <dt>parts for style sheets</dt>
            <dd className="mono pl-2 wrap-anywhere text-ink-2">
              {input.parts.map(({ name, says }) => (
                <span key={name} title={says}>
                  {name}{' '}
                </span>
              ))}
            </dd>
          </div>
        )}
        {input.css.length > 0 && (
          <div>
            <dt>style sheet</dt>
            <dd className="mono pl-2 wrap-anywhere text-ink-2">{input.css.join(', ')}</dd>
          </div>
        )}
      </dl>
    </section>
  );
}

function Constant({
  property: { name, type, choices },
  value,
  onChange,
}: {
  readonly property: DeclaredProperty;
  readonly value: unknown;
  onChange(name: string, value: unknown): void;
}): ReactNode {
  const label = `Constant ${name}`;
  if (/^(boolean|false \| true)( \| undefined)?$/.test(type.replace(/'/g, '')))
    return (
      <input
        type="checkbox"
        aria-label={label}
        checked={value === true}
        onChange={(event) => onChange(name, event.target.checked ? true : undefined)}
      />
    );
  if (choices && choices.length > 0)
    return (
      <select
        aria-label={label}
        className="max-w-24 rounded-sm border border-edge bg-sheet text-[12px]"
        value={typeof value === 'string' ? value : ''}
        onChange={(event) => onChange(name, event.target.value === '' ? undefined : event.target.value)}
      >
        <option value="">–</option>
        {choices.map((choice) => (
          <option key={choice}>{choice}</option>
        ))}
      </select>
    );
  return (
    <SlotText
      label={label}
      value={value === undefined ? '' : JSON.stringify(value)}
      {...(value === undefined ? { words: 'give' } : {})}
      onChange={(text) => onChange(name, text.trim() === '' ? undefined : readConstant(text, type))}
    />
  );
}

/** Numbers and JSON as they are; any other text is a text where the type takes one. */
function readConstant(text: string, type: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    if (/string|Node|any|unknown/.test(type)) return text;
    throw new TypeError(`This is no JSON, and ${type} takes no plain text.`);
  }
}
