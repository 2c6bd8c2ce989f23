import {
  changeSlot,
  joinPointer,
  type AdapterDescription,
  type CodecDescription,
  togetherInput,
  versionOf,
  type FoundInput,
  type Kit,
  type KitInput,
} from '@poietra/core';
import { adapterSource } from '@poietra/core/handover';
import { useMemo, type ReactNode } from 'react';
import { partOf } from '../../parts/part-of.js';
import { Link, useParams } from 'react-router';
import { PartHead } from '../../parts/part-head.js';
import { NoSuch } from '../../parts/no-such.js';
import { CodeView } from '../../parts/code-view.js';
import { CopyButton } from '../../parts/copy-button.js';
import { useKit } from '../../store/kit.js';
import { inspectedIn, useProject } from '../../store/project.js';
import { DeclaredToggle } from './declared-toggle.js';
import { InputSheet, type Given } from './input-sheet.js';
import { MakeField } from './make-field.js';
import { Parts } from './parts.js';
import { ScoreSheet } from './score-sheet.js';
import { useStand } from './use-stand.js';

/** An adapter as sentences, each word of which can be edited where it stands, over the living input. */
export function Component(): ReactNode {
  const { name = '' } = useParams();
  const adapter = useKit(({ kit }) => partOf(kit.adapters, name));
  if (!adapter) {
    return (
      <NoSuch what="adapter" name={name} board="/inputs">
        <Link to="/inputs">Meet an input</Link> and draft one.
      </NoSuch>
    );
  }
  return <Adapter key={name} name={name} adapter={adapter} />;
}

function Adapter({ name, adapter }: { readonly name: string; readonly adapter: AdapterDescription }): ReactNode {
  const { kit, edit } = useKit();
  const declared = useProject((project) => inspectedIn(project, adapter.input));
  const kitInput = kit.inputs[adapter.input];
  const found = useMemo(
    () =>
      adapter.parts
        ? togetherFound(adapter, kit.inputs)
        : (declared?.input ?? (kitInput && bareInput(adapter.input, kitInput))),
    [declared, adapter, kit.inputs, kitInput],
  );
  const stand = useStand(found, adapter);
  const uses = Object.keys(kit.fields).filter((field) => kit.fields[field]?.adapter === name);
  const firstCodec = kit.fields[uses[0] ?? '']?.codec;
  const codec: CodecDescription = (firstCodec === undefined ? undefined : kit.codecs[firstCodec]) ?? {
    kind: firstCodec ?? 'same',
  };
  const source = useMemo(() => adapterSource(kit, name), [kit, name]);
  const at = joinPointer('/adapters', name);
  const give = (given: Given): void =>
    edit(
      `${Object.keys(given).join(', ')} of ${name}`,
      Object.fromEntries(Object.entries(given).map(([member, value]) => [`${at}/${member}`, value])),
    );
  return (
    <div>
      <PartHead
        kind="adapters"
        name={name}
        tools={
          <>
            {declared && <DeclaredToggle count={declared.input.properties.length} />}
            <MakeField adapter={name} />
          </>
        }
      >
        <span className="text-[13px] text-ink-2">
          {adapter.parts ? 'of several inputs as one value' : 'of '}
          {!adapter.parts && (
            <Link to={`/inputs/${encodeURIComponent(adapter.input)}`} className="mono">
              {adapter.input}
            </Link>
          )}
        </span>
      </PartHead>
      <InputSheet
        title={adapter.title ?? name}
        input={found}
        adapter={adapter}
        findings={declared?.findings ?? []}
        stand={stand}
        codec={codec}
        codecName={firstCodec}
        onWord={(place, value) =>
          edit(`Adapter ${name}: ${place.slice(1).replaceAll('/', ' ')}`, { [at]: changeSlot(adapter, place, value) })
        }
        onGive={give}
        above={adapter.parts && <Parts name={name} adapter={adapter} />}
        below={
          <p className="text-ink-2">
            Press a word to change it. Enter takes it, Escape leaves it. The stand runs the description as it stands.
          </p>
        }
      >
        <div className="grid gap-3 border-t border-hairline px-4 py-3">
          <ScoreSheet key={name} name={name} adapter={adapter} input={found} />
          <section aria-label="Source" className="grid gap-1">
            <div className="flex items-center gap-2">
              <h2>As it will be handed over</h2>
              <CopyButton text={source} what={`the source of ${name}`} />
            </div>
            <div className="h-56 border border-hairline">
              <CodeView label={`Source of the adapter ${name}`} text={source} language="typescript" />
            </div>
          </section>
        </div>
      </InputSheet>
    </div>
  );
}

/** Inputs put together, as if they were one that was found. */
function togetherFound(adapter: AdapterDescription, inputs: Kit['inputs']): FoundInput {
  return {
    id: togetherInput,
    family: 'component',
    package: '',
    version: versionOf(adapter, inputs),
    export: adapter.title ?? togetherInput,
    module: '',
    properties: [],
    events: [],
    methods: [],
    css: [],
  };
}

/** What the kit itself knows of an input that the project does not have. */
function bareInput(id: string, input: KitInput): FoundInput {
  return { ...input, id, properties: [], events: [], methods: [] };
}
