import {
  checkName,
  copyPart,
  joinPointer,
  partsOf,
  renamePart,
  titleOf,
  usesOfPart,
  type PartKind,
} from '@poietra/core';
import { CopyIcon, LinkSimpleIcon } from '@phosphor-icons/react';
import { Popover } from 'radix-ui';
import { lazy, Suspense, useMemo, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { useKit } from '../store/kit.js';
import { Button } from './button.js';
import { oneOf, pathOf } from './kit-part.js';
import { Neighbours } from './neighbours.js';
import { RemovePart } from './remove-part.js';
import { Busy } from './states.js';
import { SlotText } from './slot.js';
import { Toggle } from './toggle.js';
import { UseList } from './use-list.js';
import { useShown } from './use-shown.js';

/** With the reader of kits, which the pages do without. */
const PartText = lazy(async () => ({ default: (await import('./part-text.js')).PartText }));

interface Props {
  readonly kind: PartKind;
  readonly name: string;
  /** Behind the name: the state, and what else is to be said in a line. */
  readonly children?: ReactNode;
  /** At the right, before what every part can do. */
  readonly tools?: ReactNode;
  /** Beside the title. */
  readonly behind?: ReactNode;
}

/** The head of a part's page: title and name edited in place, what uses it, the way to its neighbours, copy and delete. */
export function PartHead({ kind, name, children, tools, behind }: Props): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const title = titleOf(kit, kind, name);
  // In a narrow window what one works on comes first, and what can be done to it on demand.
  const [hasTools, setTools] = useState(false);
  const [text, setText] = useShown('part');
  const hasText = text === 'text';
  const rename = (to: string): void => {
    checkName(kit, kind, to);
    edit(
      `Name of the ${oneOf[kind]} ${title}: ${to}`,
      renamePart(kit, kind, name, to),
      kind === 'forms' ? { renamed: { from: name, to } } : {},
    );
    // The page goes with the name, whatever else its address says.
    void navigate(pathOf(kind, to), { replace: true });
  };
  return (
    <>
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hairline px-4 py-1.5">
        <h1 className="min-w-0">
          <SlotText
            label="Title"
            mono={false}
            look="title"
            value={title}
            onChange={(text) => {
              if (text.trim() === '') throw new TypeError('A title has at least one letter.');
              edit(`Title of ${title}`, { [`${joinPointer(`/${kind}`, name)}/title`]: text.trim() });
            }}
          />
          {behind}
        </h1>
        <span className="text-[13px] text-ink-2">
          {oneOf[kind]} <SlotText label="Name" value={name} onChange={rename} />
        </span>
        {children}
        <Button look="plain" className="ml-auto sm:hidden" aria-expanded={hasTools} onClick={() => setTools(!hasTools)}>
          Tools
        </Button>
        <div className={`${hasTools ? 'flex' : 'hidden'} flex-wrap items-center gap-1 sm:ml-auto sm:flex`}>
          {tools}
          {kind !== 'forms' && <Uses kind={kind} name={name} />}
          <Toggle isOn={hasText} onChange={() => setText(hasText ? undefined : 'text')}>
            As text
          </Toggle>
          <Button
            look="quiet"
            aria-label={`Copy ${title}`}
            title="Copy"
            onClick={() => {
              const copy = copyPart(kit, kind, name);
              edit(`Copy the ${oneOf[kind]} ${title}`, copy.edits);
              void navigate(pathOf(kind, copy.name));
            }}
          >
            <CopyIcon size={16} aria-hidden="true" />
          </Button>
          <RemovePart
            kind={kind}
            name={name}
            onRemoved={() => void navigate(kind === 'adapters' ? '/inputs' : `/${kind}`)}
          />
          <Neighbours
            what={`Another ${oneOf[kind]}`}
            current={name}
            things={Object.keys(partsOf(kit, kind)).map((id) => ({
              id,
              title: titleOf(kit, kind, id),
              to: pathOf(kind, id),
            }))}
          />
        </div>
      </header>
      {hasText && (
        <Suspense fallback={<Busy>Opening the text …</Busy>}>
          <PartText kind={kind} name={name} />
        </Suspense>
      )}
    </>
  );
}

function Uses({ kind, name }: { readonly kind: PartKind; readonly name: string }): ReactNode {
  const kit = useKit((store) => store.kit);
  const uses = useMemo(() => usesOfPart(kit, kind, name), [kit, kind, name]);
  if (uses.length === 0) return <span className="text-[13px] text-ink-2">used nowhere yet</span>;
  return (
    <Popover.Root>
      <Popover.Trigger className="inline-flex min-h-7 items-center gap-1.5 rounded-sm px-2 text-[13px] hover:bg-mark">
        <LinkSimpleIcon size={16} aria-hidden="true" />
        used {uses.length === 1 ? 'once' : `${uses.length} times`}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          aria-label="What uses it"
          className="z-10 max-h-[60vh] min-w-56 overflow-auto rounded-sm border border-edge bg-sheet p-3"
        >
          <UseList uses={uses} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
