import {
  draftSkin,
  freeName,
  skinTasks,
  wrappedIn,
  type SeenPart,
  type SkinTask,
  type SuiteComponent,
  type Wrapper,
} from '@poietra/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../../parts/button.js';
import { ProverFrame } from '../../parts/frames.js';
import { pathOf } from '../../parts/kit-part.js';
import { Busy, Failed } from '../../parts/states.js';
import { ask } from '../../store/ask.js';
import { useDraftedSkins } from '../../store/drafted-skins.js';
import { useKit } from '../../store/kit.js';
import { useProject } from '../../store/project.js';

/** What the server reads of a package. */
interface Suite {
  readonly components: readonly SuiteComponent[];
  readonly around: readonly Wrapper[];
}

/** A skin from a package of the project: what might draw which part is read, then each of it is drawn and looked at. */
export function DraftSkin(): ReactNode {
  const inputs = useProject((state) => state.inputs);
  const packages = [
    ...new Set(inputs.flatMap(({ input }) => (input.family === 'native' ? [] : [input.package]))),
  ].sort();
  const [chosen, setChosen] = useState<string>();
  const [drafting, setDrafting] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const begin = (of: string): void => {
    setTrouble(undefined);
    setDrafting(of);
  };
  const name = chosen ?? packages[0];
  if (name === undefined) return null;
  return (
    <div className="grid gap-2">
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          begin(name);
        }}
      >
        <label className="flex items-center gap-2">
          A skin from
          <select
            className="max-w-60 rounded-sm border border-edge bg-sheet px-1 py-0.5"
            value={name}
            onChange={({ target }) => setChosen(target.value)}
          >
            {packages.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </select>
        </label>
        {drafting === undefined ? (
          <Button onClick={() => begin(name)}>Draft it</Button>
        ) : (
          <Button onClick={() => setDrafting(undefined)}>Stop</Button>
        )}
      </form>
      {trouble !== undefined && <Failed title="No skin was drafted" message={trouble} />}
      {drafting !== undefined && (
        <Drafting
          key={drafting}
          name={drafting}
          onFail={(why) => {
            setDrafting(undefined);
            setTrouble(why);
          }}
        />
      )}
    </div>
  );
}

function Drafting({ name, onFail }: { readonly name: string; onFail(why: string): void }): ReactNode {
  const fail = useRef(onFail);
  useEffect(() => void (fail.current = onFail));
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const keep = useDraftedSkins((state) => state.keep);
  const [found, setFound] = useState<{ readonly tasks: readonly SkinTask[]; readonly around: readonly Wrapper[] }>();
  const seen = useRef<SeenPart[]>([]);
  const [done, setDone] = useState(0);
  useEffect(() => {
    let isWanted = true;
    ask(`/api/suite?package=${encodeURIComponent(name)}`).then(
      (answer) => {
        if (!isWanted) return;
        const { components, around } = answer as Suite;
        const tasks = skinTasks(components);
        if (tasks.length > 0) setFound({ tasks, around });
        else
          fail.current(
            `${name} declares no box, group, label, message, button or summary by a name that says so. Name its component as package#Export, and say on its page what it draws.`,
          );
      },
      (error: unknown) => {
        if (isWanted) fail.current(error instanceof Error ? error.message : String(error));
      },
    );
    return () => void (isWanted = false);
  }, [name]);
  const take = (): void => {
    const drafted = draftSkin(seen.current);
    if (Object.keys(drafted.skin).length === 0) {
      onFail(
        `Nothing of ${name} draws a part of a form by itself.\n${drafted.passedOver.map(({ says, evidence }) => `${says} ${evidence}`).join('\n')}`,
      );
      return;
    }
    const called = freeName(name.split('/').at(-1) ?? name, kit.skins ?? {});
    edit(`Draft the skin ${called}`, { [`/skins/${called}`]: drafted.skin });
    keep(called, drafted);
    void navigate(pathOf('skins', called));
  };
  if (!found) return <Busy>Reading what {name} has to draw with …</Busy>;
  const { tasks, around } = found;
  return (
    <>
      <Busy>
        {done} of {tasks.length} components were tried: what shows its words, what looks wrong, what can be pressed …
      </Busy>
      <ProverFrame
        title={`Components of ${name} are tried`}
        inputs={[]}
        wrappers={[...new Set([...tasks.map(({ component }) => component), ...wrappedIn(around)])].sort()}
        task={{ kind: 'try skin', tasks, around }}
        onMessage={(message) => {
          if (message.kind === 'skin part') {
            seen.current.push(message.seen);
            setDone(seen.current.length);
          }
          if (message.kind === 'skin tried') take();
          if (message.kind === 'prover failed') onFail(message.message);
        }}
        onLost={(reason) => {
          // One that hangs takes nothing away from what was seen before it.
          if (seen.current.length > 0) take();
          else onFail(reason);
        }}
      />
    </>
  );
}
