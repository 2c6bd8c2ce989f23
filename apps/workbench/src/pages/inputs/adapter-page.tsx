import {
  changeSlot,
  foreignInputs,
  handOver,
  joinPointer,
  sentencesFor,
  type AdapterDescription,
  type CodecDescription,
  togetherInput,
  versionOf,
  type FoundInput,
  type Kit,
  type KitInput,
} from '@poietra/core';
import { useMemo, type ReactNode } from 'react';
import { partOf } from '../../parts/part-of.js';
import { Link, useParams } from 'react-router';
import { NoSuch } from '../../parts/no-such.js';
import { CodeView } from '../../parts/code-view.js';
import { CopyButton } from '../../parts/copy-button.js';
import { SendToCodec } from '../../parts/send-to-codec.js';
import { SlotText } from '../../parts/slot.js';
import { Failed } from '../../parts/states.js';
import { StandFrame } from '../../parts/stand-frame.js';
import { UsedBy } from '../../parts/used-by.js';
import { ValueLine } from '../../parts/value-line.js';
import { useKit } from '../../store/kit.js';
import { useProject } from '../../store/project.js';
import { Parts } from './parts.js';
import { ReportLine } from './report-line.js';
import { ScoreSheet } from './score-sheet.js';
import { lineFor, useStand } from './use-stand.js';

/** An adapter as sentences, each word of which can be edited where it stands, over the living input. */
export function Component(): ReactNode {
  const { name = '' } = useParams();
  const adapter = useKit(({ kit }) => partOf(kit.adapters, name));
  if (!adapter) {
    return (
      <NoSuch what="adapter" name={name}>
        <Link to="/inputs">Meet an input</Link> and draft one.
      </NoSuch>
    );
  }
  return <Adapter key={name} name={name} adapter={adapter} />;
}

function Adapter({ name, adapter }: { readonly name: string; readonly adapter: AdapterDescription }): ReactNode {
  const { kit, edit } = useKit();
  const inputs = useProject((project) => project.inputs);
  const kitInput = kit.inputs[adapter.input];
  const found = useMemo(
    () =>
      adapter.parts
        ? togetherFound(adapter, kit.inputs)
        : (inputs.find(({ input }) => input.id === adapter.input)?.input ??
          (kitInput && bareInput(adapter.input, kitInput))),
    [inputs, adapter, kit.inputs, kitInput],
  );
  const stand = useStand(found, adapter);
  const uses = Object.keys(kit.fields).filter((field) => kit.fields[field]?.adapter === name);
  const firstCodec = kit.fields[uses[0] ?? '']?.codec;
  const codec: CodecDescription = (firstCodec === undefined ? undefined : kit.codecs[firstCodec]) ?? {
    kind: firstCodec ?? 'same',
  };
  const source = useMemo(
    () => handOver(kit).find(({ path }) => path === `adapters/${name}.ts`)?.text ?? '',
    [kit, name],
  );
  const change = (at: string, value: string): void =>
    edit(`Adapter ${name}: ${at.slice(1).replaceAll('/', ' ')}`, {
      [joinPointer('/adapters', name)]: changeSlot(adapter, at, value),
    });
  return (
    <div className="grid gap-3 p-4">
      <header className="flex flex-wrap items-baseline gap-3">
        <h1>{adapter.title ?? name}</h1>
        <span className="text-ink-2">
          {adapter.parts ? 'adapter of several inputs as one value' : 'adapter of '}
          {!adapter.parts && (
            <Link to={`/inputs/${encodeURIComponent(adapter.input)}`} className="mono">
              {adapter.input}
            </Link>
          )}
        </span>
        <UsedBy fields={uses} />
      </header>
      <ValueLine value={lineFor(stand.lastWritten ?? { $is: 'undefined' }, codec)} />
      {stand.lastWritten !== undefined && (
        <span>
          <SendToCodec name={firstCodec} codec={codec} written={stand.lastWritten} />
        </span>
      )}
      <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_260px]">
        <section aria-label="How it speaks" className="grid content-start gap-1.5">
          <h2>How it speaks</h2>
          {adapter.parts && <Parts name={name} adapter={adapter} />}
          <ul className="grid gap-1.5">
            {sentencesFor(adapter, found).map(({ about, parts }) => (
              <li key={about}>
                {parts.map((part, i) =>
                  typeof part === 'string' ? (
                    part
                  ) : (
                    <SlotText
                      key={i}
                      label={about}
                      value={part.value}
                      words={part.words}
                      choices={part.choices}
                      onChange={(value) => change(part.at, value)}
                    />
                  ),
                )}
              </li>
            ))}
          </ul>
          <p className="text-[13px] text-ink-2">
            Press a word to change it. Enter takes it, Escape leaves it. The stand runs the description as it stands.
          </p>
        </section>
        <section aria-label="Stand" className="min-h-64 border border-hairline bg-sheet">
          {stand.failed !== undefined && <Failed title="The input failed" message={stand.failed} />}
          <StandFrame
            title={`Stand: ${adapter.title ?? name}`}
            inputs={foreignInputs(adapter)}
            wrappers={adapter.wrappers?.map(({ component }) => component)}
            minHeight={200}
            onReady={stand.onReady}
            onMessage={stand.onMessage}
          />
        </section>
        <div className="max-h-[420px] min-h-0 border border-hairline">
          <ReportLine reports={stand.reports} onClear={stand.clear} />
        </div>
      </div>
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
