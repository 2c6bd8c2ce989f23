import { useMemo, useState, type ReactNode } from 'react';
import { NavLink, useNavigate, useParams } from 'react-router';
import { Button } from '../../parts/button.js';
import { CodeView } from '../../parts/code-view.js';
import { FormFrame } from '../../parts/form-frame.js';
import { schemaOffers } from '../../parts/json-offers.js';
import { JsonText } from '../../parts/json-text.js';
import { freeName } from '../../parts/names.js';
import { useKit } from '../../store/kit.js';
import { examples } from './examples.js';

/** The shelf: small living examples to look at, to change, and to take into the kit. */
export function Component(): ReactNode {
  const { id = examples[0]?.id } = useParams();
  const example = examples.find((one) => one.id === id) ?? examples[0];
  return (
    <div className="grid h-full grid-cols-1 lg:grid-cols-[220px_minmax(0,1fr)]">
      <nav
        aria-label="Shelf"
        className="max-h-48 overflow-auto border-b border-hairline p-2 lg:max-h-none lg:border-r lg:border-b-0"
      >
        <h1 className="px-2 pt-1">Shelf</h1>
        <ul>
          {examples.map(({ id: own, form }) => (
            <li key={own}>
              <NavLink
                to={`/shelf/${own}`}
                aria-current={own === example?.id ? 'page' : undefined}
                className={`block rounded-sm px-2 py-1 no-underline hover:bg-mark ${own === example?.id ? 'bg-mark font-semibold' : ''}`}
              >
                {form.title}
              </NavLink>
            </li>
          ))}
        </ul>
      </nav>
      {example && <Shown key={example.id} example={example} />}
    </div>
  );
}

function Shown({ example }: { readonly example: (typeof examples)[number] }): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const [form, setForm] = useState(example.form);
  const [sent, setSent] = useState('{}');
  const offers = useMemo(() => schemaOffers(kit), [kit]);
  const options = useMemo(() => ({ notes: false, copies: 1, submitLabel: '', width: 520 }), []);
  const take = (): void => {
    const name = freeName(example.id, kit.forms);
    edit(`Take ${form.title} into the kit`, { [`/forms/${name}`]: form });
    void navigate(`/forms/${name}`);
  };
  return (
    <div className="flex min-h-0 flex-col">
      <header className="flex flex-wrap items-baseline gap-3 border-b border-hairline px-4 py-2">
        <h2 className="text-[16px]">{form.title}</h2>
        <p className="min-w-0 flex-1 text-ink-2">{example.shows}</p>
        <Button look="main" onClick={take}>
          Take it into the kit
        </Button>
      </header>
      <div className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-2">
        <section aria-label="The form" tabIndex={0} className="min-h-0 overflow-auto bg-sheet">
          <FormFrame
            title={`Example: ${form.title}`}
            form={form}
            options={options}
            onMessage={(message) => {
              if (message.kind === 'state') setSent(JSON.stringify(message.sent, undefined, 2));
            }}
          />
        </section>
        <section
          aria-label="Its texts"
          className="grid min-h-[480px] grid-rows-[minmax(0,3fr)_minmax(0,1fr)] gap-1 border-hairline p-2 lg:min-h-0 lg:border-l"
        >
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
          <CodeView label="What would be sent" text={sent} language="json" />
        </section>
      </div>
    </div>
  );
}
