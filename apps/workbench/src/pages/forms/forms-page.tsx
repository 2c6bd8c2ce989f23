import { PlusIcon } from '@phosphor-icons/react';
import type { ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { Button } from '../../parts/button.js';
import { freeName } from '../../parts/names.js';
import { Empty } from '../../parts/states.js';
import { useKit } from '../../store/kit.js';
import { KitDrawing } from './kit-drawing.js';

/** The kit's forms. */
export function Component(): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const forms = Object.entries(kit.forms);
  const add = (): void => {
    const name = freeName('form', kit.forms);
    edit(`Add the form ${name}`, {
      [`/forms/${name}`]: {
        title: 'New form',
        schema: {
          $schema: 'https://json-schema.org/draft/2020-12/schema',
          title: 'New form',
          type: 'object',
          properties: { name: { title: 'Name', type: 'string' } },
        },
      },
    });
    void navigate(`/forms/${name}`);
  };
  return (
    <div className="grid gap-3 p-4">
      <div className="flex items-center gap-3">
        <h1>Forms</h1>
        <Button onClick={add}>
          <PlusIcon size={16} aria-hidden="true" />
          New form
        </Button>
        <Link to="/shelf">Look at the shelf of examples</Link>
      </div>
      {forms.length === 0 ? (
        <Empty title="No forms yet">
          <p>
            A form comes from a JSON Schema: every place gets a field by its type, and hints say how it is presented.
          </p>
        </Empty>
      ) : (
        <ul className="max-w-3xl border-t border-hairline">
          {forms.map(([id, { title, send }]) => (
            <li key={id} className="flex items-baseline gap-4 border-b border-hairline py-2">
              <Link to={`/forms/${id}`} className="font-semibold">
                {title}
              </Link>
              <span className="mono text-ink-2">{id}</span>
              <span className="ml-auto text-ink-2">{send ? `sends to ${send.path}` : 'sends nowhere yet'}</span>
            </li>
          ))}
        </ul>
      )}
      <KitDrawing />
    </div>
  );
}
