import { changeSlot, families, joinPointer, type AdapterDescription } from '@poietra/core';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { Button } from '../../parts/button.js';
import { pathOf } from '../../parts/kit-part.js';
import { inputTitle } from '../../parts/names.js';
import { Neighbours } from '../../parts/neighbours.js';
import { partOf } from '../../parts/part-of.js';
import { Busy, Empty } from '../../parts/states.js';
import { useKit } from '../../store/kit.js';
import { inspectedIn, useProject, type Inspected, type PassedOver } from '../../store/project.js';
import { useTried } from '../../store/tried.js';
import { DeclaredToggle } from './declared-toggle.js';
import { draftChanges } from './input-edits.js';
import { ProjectFailed } from './project-failed.js';
import { InputSheet, type Given } from './input-sheet.js';
import { trialKey, Trying } from './trying.js';
import { useStand } from './use-stand.js';

/** An input that one meets: how it seems to speak, the living thing, what it told. From here its adapter is drafted. */
export function Component(): ReactNode {
  const { id = '' } = useParams();
  const project = useProject();
  const { status } = project;
  const found = inspectedIn(project, id);
  if (status === 'failed') return <ProjectFailed />;
  if (status !== 'ready') return <Busy>Reading the project …</Busy>;
  if (!found) {
    return (
      <Empty title="The project has no such input">
        <p>
          <code>{id}</code> is not among the <Link to="/inputs">inputs that were found</Link>. Is its package installed
          in the project folder?
        </p>
      </Empty>
    );
  }
  return <Met key={id} found={found} />;
}

function Met({ found }: { readonly found: Inspected | PassedOver }): ReactNode {
  const { input, adapter: drafted, findings } = found;
  const navigate = useNavigate();
  const { kit, edit } = useKit();
  const inputs = useProject((project) => project.inputs);
  const own = Object.entries(kit.adapters).filter(([, one]) => one.input === input.id);
  // What a person gave on the stand goes into the draft.
  const [given, setGiven] = useState<Given>({});
  const key = trialKey(input, given);
  const tried = useTried(({ byKey }) => byKey[key]);
  const start = useMemo(
    () => drafted && { ...drafted, ...given, constants: { ...drafted.constants, ...given.constants } },
    [drafted, given],
  );
  const draft = useMemo(
    () => (tried && start ? { ...tried.adapter, ...(given.gesture ? { gesture: given.gesture } : {}) } : start),
    [tried, start, given.gesture],
  );
  const stand = useStand(input, draft);
  // The adapter's page may still be on its way: what follows then changes the adapter that was drafted just now.
  const made = useRef<string>(undefined);
  const keepDraft = (change = (one: AdapterDescription): AdapterDescription => one): void => {
    const name = made.current ?? '';
    const drafted = partOf(useKit.getState().kit.adapters, name);
    const next = drafted && change(drafted);
    if (next && next !== drafted) edit(`Adapter ${name}`, { [joinPointer('/adapters', name)]: next });
    if (!next && draft) {
      const { name: given, changes } = draftChanges(kit, input, change(draft));
      edit(`Draft the adapter of ${input.id}`, changes);
      made.current = given;
    }
    if (made.current !== undefined) void navigate(pathOf('adapters', made.current));
  };
  return (
    <div>
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hairline px-4 py-1.5">
        <h1>{inputTitle(input)}</h1>
        <span className="text-[13px] text-ink-2">
          {families[input.family].title} of {input.package} <span className="mono">{input.version}</span>
        </span>
        {own.map(([name]) => (
          <Link key={name} to={pathOf('adapters', name)}>
            Open its adapter{own.length > 1 && ` ${name}`}
          </Link>
        ))}
        <div className="ml-auto flex flex-wrap items-center gap-1">
          <DeclaredToggle count={input.properties.length} />
          <Button look="main" onClick={() => keepDraft()} aria-disabled={!draft}>
            {own.length > 0 ? 'Draft another adapter' : 'Draft the adapter'}
          </Button>
          <Neighbours
            what="Another input"
            current={input.id}
            things={inputs.map(({ input: other }) => ({
              id: other.id,
              title: inputTitle(other),
              to: `/inputs/${encodeURIComponent(other.id)}`,
            }))}
          />
        </div>
      </header>
      {'reason' in found && (
        <p className="border-b border-hairline px-4 py-1">
          It was passed over. {found.reason} If it is an input all the same, change the words for its value and its
          report below.
        </p>
      )}
      <InputSheet
        title={inputTitle(input)}
        input={input}
        adapter={draft}
        findings={[...(tried?.findings ?? []), ...findings]}
        stand={stand}
        codec={{ kind: 'same' }}
        onWord={(at, value) => keepDraft((adapter) => changeSlot(adapter, at, value))}
        onGive={(more) => setGiven((before) => ({ ...before, ...more }))}
        above={<Trying input={input} start={start} of={key} isWaiting={stand.isTouched || stand.isRecording} />}
        below={
          draft && (
            <p className="text-ink-2">
              Press a word to change it: that drafts the adapter with the word as you want it.
            </p>
          )
        }
      />
    </div>
  );
}
