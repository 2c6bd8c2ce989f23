import { ownProperties, type AdapterDescription, type Gesture } from '@poietra/core';
import { Tabs } from 'radix-ui';
import { useMemo, useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { Button } from '../../parts/button.js';
import { freeName, inputTitle } from '../../parts/names.js';
import { ProverFrame } from '../../parts/prover-frame.js';
import { SlotText } from '../../parts/slot.js';
import { StandFrame } from '../../parts/stand-frame.js';
import { Busy, Empty, Failed } from '../../parts/states.js';
import { useKit } from '../../store/kit.js';
import { useProject, type Inspected } from '../../store/project.js';
import { useTried } from '../../store/tried.js';
import { Declared } from './declared.js';
import { Findings } from './findings.js';
import { GesturePane } from './gesture-pane.js';
import { ReportLine } from './report-line.js';
import { useStand } from './use-stand.js';
import { ValueMatrix } from './value-matrix.js';

/** One input alone: what it declares, the living thing, what it reports, and what was found out by trying. */
export function Component(): ReactNode {
  const { id = '' } = useParams();
  const { status, inputs } = useProject();
  const found = inputs.find(({ input }) => input.id === id);
  if (status !== 'ready') return <Busy>Reading the project …</Busy>;
  if (!found) {
    return (
      <Empty title="The project has no such input">
        <p>
          <code>{id}</code> is not among the inputs that were found. Is its package installed in the project folder?
        </p>
      </Empty>
    );
  }
  return <Stand key={id} found={found} />;
}

function Stand({ found: { input, adapter: drafted, findings } }: { readonly found: Inspected }): ReactNode {
  const navigate = useNavigate();
  const { kit, edit } = useKit();
  const own = Object.entries(kit.adapters).find(([, one]) => one.input === input.id);
  // What a person gave on the stand goes into the draft; once there is an adapter, its own sentences are edited instead.
  const [given, setGiven] = useState<Pick<AdapterDescription, 'constants' | 'wrappers' | 'gesture'>>({});
  const key = `${input.id}@${input.version} ${JSON.stringify([given.constants, given.wrappers])}`;
  const tried = useTried(({ byKey }) => byKey[key]);
  const { keep, forget } = useTried();
  const start = useMemo(
    () => drafted && { ...drafted, ...given, constants: { ...drafted.constants, ...given.constants } },
    [drafted, given],
  );
  const draft = useMemo(
    () => (tried && start ? { ...tried.adapter, ...(given.gesture ? { gesture: given.gesture } : {}) } : start),
    [tried, start, given.gesture],
  );
  const adapter = own?.[1] ?? draft;
  const stand = useStand(input, adapter);
  const isWaiting = stand.isTouched || stand.isRecording;
  const bundled = input.family === 'native' ? [] : [input.id];
  const wrappers = adapter?.wrappers?.map(({ component }) => component);
  const keepDraft = (): void => {
    if (!draft) return;
    const name = freeName(
      input.tag && input.family === 'element'
        ? input.tag
        : input.export === 'default'
          ? input.package
          : input.export.replace('.', '-'),
      kit.adapters,
    );
    const { family, package: pkg, version, export: exported, module, css, tag, item } = input;
    edit(`Draft the adapter of ${input.id}`, {
      [`/inputs/${input.id.replaceAll('~', '~0').replaceAll('/', '~1')}`]: {
        family,
        package: pkg,
        version,
        export: exported,
        module,
        css,
        ...(tag ? { tag } : {}),
        ...(item ? { item } : {}),
      },
      [`/adapters/${name}`]: { ...draft, title: input.export === 'default' ? input.package : input.export },
    });
    void navigate(`/adapters/${name}`);
  };
  const keepGesture = (gesture: Gesture): void => {
    if (own) edit(`Gesture of ${own[0]}`, { [`/adapters/${own[0]}/gesture`]: gesture });
    else setGiven((before) => ({ ...before, gesture }));
  };
  const used = new Set(findings.flatMap(({ says }) => [...says.matchAll(/“([^”]+)”/g)].map((match) => match[1] ?? '')));
  return (
    <div className="flex h-full min-h-[600px] flex-col">
      <header className="flex flex-wrap items-baseline gap-3 border-b border-hairline px-4 py-2">
        <h2 className="text-[16px]">{inputTitle(input)}</h2>
        <span className="text-ink-2">
          {input.family} of {input.package} <span className="mono">{input.version}</span>
        </span>
        <span className="ml-auto">
          {own ? (
            <Link
              className="rounded-sm border border-edge bg-sheet px-2.5 py-1 no-underline hover:bg-mark"
              to={`/adapters/${own[0]}`}
            >
              Open its adapter
            </Link>
          ) : (
            <Button look="main" onClick={keepDraft} aria-disabled={!draft}>
              Draft the adapter
            </Button>
          )}
        </span>
      </header>
      <div className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[240px_minmax(0,1fr)_290px]">
        <Declared
          input={input}
          used={used}
          taken={adapter ? ownProperties(adapter) : new Set()}
          constants={adapter?.constants ?? {}}
          onChange={(constants) =>
            own
              ? edit(`Constants of ${own[0]}`, { [`/adapters/${own[0]}/constants`]: constants })
              : setGiven((before) => ({ ...before, constants }))
          }
        />
        <div className="min-h-0 overflow-auto border-hairline bg-sheet lg:border-x">
          {stand.failed !== undefined && <Failed title="The input failed" message={stand.failed} />}
          <StandFrame
            title={`Stand: ${inputTitle(input)}`}
            inputs={bundled}
            wrappers={wrappers}
            minHeight={380}
            onReady={stand.onReady}
            onMessage={stand.onMessage}
          />
        </div>
        <ReportLine reports={stand.reports} onClear={stand.clear} />
      </div>
      <Tabs.Root defaultValue="findings" className="h-72 shrink-0 overflow-auto border-t border-hairline px-4 pb-2">
        <Tabs.List
          aria-label="About this input"
          className="sticky top-0 z-10 flex gap-4 border-b border-hairline bg-ground pt-1"
        >
          {[
            ['findings', 'Findings'],
            ['values', 'Values'],
            ['gesture', 'Gesture'],
            ['around', 'Around it'],
          ].map(([value = '', words]) => (
            <Tabs.Trigger
              key={value}
              value={value}
              className="border-b-2 border-transparent px-1 py-1 data-[state=active]:border-held data-[state=active]:font-semibold"
            >
              {words}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Tabs.Content value="findings" className="grid gap-3 pt-2 lg:grid-cols-[minmax(0,1fr)_260px]">
          <Findings
            declared={findings}
            observed={tried?.findings}
            failed={tried?.failed}
            isWaiting={isWaiting}
            onTryAgain={() => forget(key)}
          />
          {/* Trying takes the focus, so it stops while a person has it on the stand. */}
          {!tried && start && !isWaiting && (
            <ProverFrame
              key={key}
              title="The input is being tried"
              inputs={bundled}
              wrappers={start.wrappers?.map(({ component }) => component)}
              task={{ kind: 'observe', input, adapter: start }}
              onMessage={(message) => {
                if (message.kind === 'observed') keep(key, message);
                if (message.kind === 'prover failed')
                  keep(key, { adapter: start, findings: [], failed: message.message });
              }}
              onLost={(reason) => keep(key, { adapter: start, findings: [], failed: reason })}
            />
          )}
        </Tabs.Content>
        <Tabs.Content value="values" className="pt-2">
          {adapter && <ValueMatrix adapter={adapter} inputs={bundled} onPush={stand.push} />}
        </Tabs.Content>
        <Tabs.Content value="gesture" className="pt-2">
          <GesturePane
            gesture={adapter?.gesture}
            isRecording={stand.isRecording}
            steps={stand.steps}
            replay={stand.replayed}
            onRecord={stand.record}
            onReplay={stand.replay}
            onKeep={keepGesture}
          />
        </Tabs.Content>
        <Tabs.Content value="around" className="grid max-w-prose gap-2 pt-2">
          <p>
            Stands inside{' '}
            <SlotText
              label="Wrapper"
              value={adapter?.wrappers?.[0]?.component ?? ''}
              {...(adapter?.wrappers?.[0] ? {} : { words: 'nothing' })}
              onChange={(text) => {
                const component = text.trim();
                if (component !== '' && !/^[^#\s]+#[A-Za-z_$][\w$.]*$/.test(component))
                  throw new TypeError('Write it as package#Export, like antd#ConfigProvider.');
                const next = component === '' ? [] : [{ component }];
                if (own) edit(`Wrapper of ${own[0]}`, { [`/adapters/${own[0]}/wrappers`]: next });
                else setGiven((before) => ({ ...before, wrappers: next }));
              }}
            />
            .
          </p>
          <p className="text-ink-2">
            Some components need a provider around them. Name it as package#Export; it is bundled from the same project
            folder, and the contract, the forms and the handed-over code put it around the input, too.
          </p>
        </Tabs.Content>
      </Tabs.Root>
    </div>
  );
}
