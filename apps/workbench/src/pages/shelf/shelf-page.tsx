import { freeName, joinPointer } from '@poietra/core';
import { useMemo, useRef, useState, useEffect, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { Button } from '../../parts/button.js';
import { CodeView } from '../../parts/code-view.js';
import { FormFrame } from '../../parts/form-frame.js';
import { schemaOffers } from '../../parts/json-offers.js';
import { JsonText } from '../../parts/json-text.js';
import { pathOf } from '../../parts/kit-part.js';
import { LiveForm } from '../../parts/live-form.js';
import { Neighbours } from '../../parts/neighbours.js';
import { NoSuch } from '../../parts/no-such.js';
import { Toggle } from '../../parts/toggle.js';
import { useKit } from '../../store/kit.js';
import { examples, type Example } from './examples.js';

/** The shelf: small living forms, each with the one thing that it shows, to be used, changed, and taken into the kit. */
export function Component(): ReactNode {
  const { id } = useParams();
  if (id === undefined) return <Cards />;
  const example = examples.find((one) => one.id === id);
  return example ? <Shown key={id} example={example} /> : <NoSuch what="example" name={id} board="/shelf" />;
}

function Cards(): ReactNode {
  const [typed, setTyped] = useState('');
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const found = examples.filter(({ id, shows, form }) =>
    words.every((word) => `${id} ${shows} ${form.title}`.toLowerCase().includes(word)),
  );
  return (
    <section className="grid content-start gap-3 p-4" aria-labelledby="shelf">
      <header className="flex flex-wrap items-center gap-3">
        <h1 id="shelf">Shelf</h1>
        <span className="mono text-ink-2">{found.length}</span>
        <input
          type="search"
          aria-label="Search the shelf"
          placeholder="What should it show?"
          className="w-64 rounded-sm border border-edge bg-sheet px-2 py-1"
          value={typed}
          onChange={({ target }) => setTyped(target.value)}
        />
        <p className="text-ink-2">One thing each. Use them here; open one to change it, or to take it into the kit.</p>
      </header>
      {found.length === 0 && <p className="text-ink-2">No example speaks of “{typed}”.</p>}
      <ul className="grid gap-4 [grid-template-columns:repeat(auto-fill,minmax(320px,1fr))]">
        {found.map((example) => (
          <Card key={example.id} example={example} />
        ))}
      </ul>
    </section>
  );
}

/** Comes alive when it is about to be seen. */
function Card({ example: { id, shows, form } }: { readonly example: Example }): ReactNode {
  const place = useRef<HTMLDivElement>(null);
  const [isNear, setNear] = useState(false);
  useEffect(() => {
    const watch = new IntersectionObserver(
      (seen) => {
        if (seen.some(({ isIntersecting }) => isIntersecting)) setNear(true);
      },
      { rootMargin: '200px' },
    );
    if (place.current) watch.observe(place.current);
    return () => watch.disconnect();
  }, []);
  return (
    <li className="grid grid-rows-[auto_auto_minmax(0,1fr)] border-t-2 border-edge bg-sheet">
      <h2 className="px-3 pt-2">
        <Link to={`/shelf/${id}`}>{form.title}</Link>
      </h2>
      <p className="px-3 text-[13px] text-ink-2">{shows}</p>
      <div
        ref={place}
        role="group"
        aria-label={`${form.title}, alive`}
        tabIndex={0}
        className="mt-2 h-56 overflow-auto border-t border-hairline px-3 py-2"
      >
        {isNear && <LiveForm form={form} />}
      </div>
    </li>
  );
}

function Shown({ example }: { readonly example: Example }): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const [form, setForm] = useState(example.form);
  const [sent, setSent] = useState('{}');
  const [hasSchema, setSchema] = useState(true);
  const [hasData, setData] = useState(false);
  const offers = useMemo(() => schemaOffers(kit), [kit]);
  const options = useMemo(() => ({ notes: false, copies: 1, submitLabel: '', width: 520 }), []);
  const take = (): void => {
    const name = freeName(form.title, kit.forms);
    edit(`Take ${form.title} into the kit`, { [joinPointer('/forms', name)]: form });
    void navigate(pathOf('forms', name));
  };
  return (
    <div className="flex min-h-full flex-col lg:h-full lg:min-h-0">
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hairline px-4 py-1.5">
        <h1>{form.title}</h1>
        <p className="min-w-0 basis-full text-ink-2 lg:basis-0 lg:flex-1">{example.shows}</p>
        <Toggle isOn={hasSchema} onChange={() => setSchema(!hasSchema)}>
          Schema
        </Toggle>
        <Toggle isOn={hasData} onChange={() => setData(!hasData)}>
          Data
        </Toggle>
        <Button look="main" onClick={take}>
          Take it into the kit
        </Button>
        <Link to="/shelf">The shelf</Link>
        <Neighbours
          what="Another example"
          current={example.id}
          things={examples.map(({ id, form: { title } }) => ({ id, title, to: `/shelf/${id}` }))}
        />
      </header>
      <div
        className={`grid flex-1 grid-cols-1 content-start lg:min-h-0 lg:content-stretch ${hasSchema || hasData ? 'lg:grid-cols-2' : ''}`}
      >
        <section aria-label="The form" tabIndex={0} className="overflow-auto bg-sheet lg:min-h-0">
          <FormFrame
            title={`Example: ${form.title}`}
            form={form}
            options={options}
            onMessage={(message) => {
              if (message.kind === 'state') setSent(JSON.stringify(message.sent, undefined, 2));
            }}
          />
        </section>
        {(hasSchema || hasData) && (
          <section
            aria-label="Its texts"
            className="grid min-h-[480px] auto-rows-fr gap-1 border-hairline p-2 lg:min-h-0 lg:border-l"
          >
            {hasSchema && (
              <JsonText
                label={`Schema of ${form.title}`}
                value={form.schema}
                written={form.written?.schema}
                offers={offers}
                onChange={(schema, text) =>
                  setForm(({ written: _, ...before }) => ({
                    ...before,
                    schema,
                    ...(text === undefined ? {} : { written: { schema: text } }),
                  }))
                }
              />
            )}
            {hasData && <CodeView label="What would be sent" text={sent} language="json" />}
          </section>
        )}
      </div>
    </div>
  );
}
