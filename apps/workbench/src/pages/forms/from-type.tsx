import { useId, useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { useAttempt } from '../../parts/use-attempt.js';
import { ask } from '../../store/ask.js';
import { plainText } from '../../store/written.js';

interface OwnType {
  readonly file: string;
  readonly name: string;
}
interface TypeSchema {
  readonly schema: unknown;
  readonly notes: readonly { readonly at: string; readonly says: string }[];
}

/** A type that the opened project exports, as the schema of its JSON. The list is read when it is asked for. */
export function FromType({ onHave }: { onHave(text: string, notes: readonly string[]): void }): ReactNode {
  const [types, setTypes] = useState<readonly OwnType[]>();
  const { isBusy, trouble, attempt } = useAttempt();
  const id = useId();
  const list = async (): Promise<void> => {
    const { types: found } = (await ask('/api/types')) as { readonly types: readonly OwnType[] };
    setTypes(found);
  };
  const choose = async (type: OwnType): Promise<void> => {
    const { schema, notes } = (await ask('/api/type-schema', { method: 'POST', json: type })) as TypeSchema;
    onHave(
      plainText(schema),
      notes.map(({ at, says }) => `${at === '' ? 'The whole' : at}: ${says}`),
    );
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      {types === undefined || types.length === 0 ? (
        <Button aria-disabled={isBusy} onClick={() => attempt(list)}>
          A type of the project …
        </Button>
      ) : (
        <label className="flex flex-wrap items-center gap-2" htmlFor={id}>
          A type of the project
          <select
            id={id}
            className="max-w-72 rounded-sm border border-edge bg-sheet px-1 py-0.5"
            value=""
            onChange={({ target }) => {
              const type = types[Number(target.value)];
              if (target.value !== '' && type) attempt(() => choose(type));
            }}
          >
            <option value="">{types.length === 1 ? 'one is there' : `${types.length} are there`}: choose</option>
            {types.map(({ file, name }, i) => (
              <option key={`${file} ${name}`} value={i}>
                {name} ({file})
              </option>
            ))}
          </select>
        </label>
      )}
      {types?.length === 0 && (
        <span className="text-ink-2">The project’s “src” exports no type that stands by itself.</span>
      )}
      {isBusy && <span role="status">Being read …</span>}
      {trouble !== undefined && (
        <span role="alert" className="w-full text-fail">
          {trouble}
        </span>
      )}
    </div>
  );
}
