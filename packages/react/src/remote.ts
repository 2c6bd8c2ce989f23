/** Values to choose from that a server gives: fetched when they are wanted, kept by their address, the latest wish counting. */
import {
  askServer,
  parentPointer,
  reasonOf,
  remoteAddress,
  remoteChoice,
  remoteChoices,
  remoteItemAddress,
  remoteNext,
  templateVariables,
  variableOf,
  type Pointer,
  type Remote,
  type RemoteChoice,
} from '@poietra/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useDrawing, type FetchChoices } from './drawing.js';
import { useFollowed } from './follow.js';
import { useScope, useWords } from './scope.js';
import { choiceWords } from './words/choice-words.js';

interface Fetched {
  readonly choices: readonly RemoteChoice[];
  readonly status?: string | undefined;
  /** An answer has come: these are the choices. */
  readonly isWhole?: boolean;
  readonly hasFailed?: boolean;
}
const caches = new WeakMap<FetchChoices, Map<string, Promise<unknown>>>();
/** After the last key press. In milliseconds. */
const patience = 150;
/** An answer in parts is followed so far; what is beyond is found by typing. */
const mostParts = 10;

export function useRemoteChoices(
  remote: Remote | undefined,
  at: Pointer,
):
  | {
      readonly choices: readonly RemoteChoice[];
      readonly properties: Readonly<Record<string, unknown>>;
      readonly words: string | undefined;
    }
  | undefined {
  const { form } = useScope();
  const words = useWords(choiceWords);
  const { fetchChoices = askServer } = useDrawing();
  const [typed, setTyped] = useState<string>();
  const [fetched, setFetched] = useState<Fetched>({ choices: [] });
  const [stored, setStored] = useState<RemoteChoice>();
  const [unknown, setUnknown] = useState<unknown>();
  const [round, setRound] = useState(0);
  const here = parentPointer(at);
  // Followed as text: only another value of a variable is another question.
  const scope = useFollowed(() => {
    if (!remote) return '';
    const names = templateVariables(remote.from).filter((name) => name !== remote.search);
    const [around, whole] = names.length > 0 ? [form.valueAt(here), form.valueAt('')] : [undefined, undefined];
    return JSON.stringify([
      names,
      names.map((name) => variableOf(name, remote.variables, { here: around, form: whole })),
    ]);
  }, [form, here, remote]);
  const value = useFollowed(() => (remote ? form.field(at).sent : undefined), [form, at, remote]);
  const cache = useMemo(() => {
    const own = caches.get(fetchChoices) ?? new Map<string, Promise<unknown>>();
    caches.set(fetchChoices, own);
    return own;
  }, [fetchChoices]);

  useEffect(() => {
    if (!remote) return undefined;
    const overtaken = new AbortController();
    const isOvertaken = (): boolean => overtaken.signal.aborted;
    const ask = async (): Promise<void> => {
      const address = remoteAddress(remote, {
        form: form.valueAt(''),
        here: form.valueAt(here),
        typed: typed ?? '',
      });
      if (address === undefined) {
        setFetched({ choices: [], status: words.dependsOn });
        return;
      }
      setFetched(({ choices }) => ({ choices, status: words.looking }));
      try {
        const choices: RemoteChoice[] = [];
        let next: string | undefined = address;
        for (let part = 0; next !== undefined && part < mostParts; part++) {
          const asked: string = next;
          const answer = await (cache.get(asked) ?? keep(cache, asked, fetchChoices(asked, overtaken.signal)));
          if (isOvertaken()) return;
          choices.push(...remoteChoices(remote, answer));
          next = remoteNext(remote, answer, asked);
          if (next !== undefined) setFetched({ choices: [...choices], status: words.looking });
        }
        const status = next !== undefined ? words.moreThere(choices.length) : undefined;
        setFetched({
          choices,
          status: choices.length === 0 ? words.nothingFound : status,
          isWhole: next === undefined,
        });
      } catch (error) {
        if (isOvertaken()) return;
        setFetched({ choices: [], status: words.notFetched(reasonOf(error)), hasFailed: true });
      }
    };
    const timer = setTimeout(() => void ask(), typed === undefined || typed === '' ? 0 : patience);
    return () => {
      clearTimeout(timer);
      overtaken.abort();
    };
  }, [remote, scope, typed, round, cache, fetchChoices, form, here, words]);

  // A stored key has words, too, though its choice may not be among those fetched.
  const isKnown = value === undefined || fetched.choices.some((one) => one.value === value) || stored?.value === value;
  useEffect(() => {
    if (!remote || isKnown) return undefined;
    const gone = new AbortController();
    void (async () => {
      const address = remoteItemAddress(remote, value);
      if (address === undefined) return;
      try {
        const item = await (cache.get(address) ?? keep(cache, address, fetchChoices(address, gone.signal)));
        const [one] = remoteChoice(remote, item);
        if (gone.signal.aborted) return;
        if (one) setStored(one);
        setUnknown(one ? undefined : value);
      } catch {
        // The key itself is shown then.
        if (!gone.signal.aborted) setUnknown(value);
      }
    })();
    return () => gone.abort();
  }, [remote, isKnown, value, cache, fetchChoices]);

  const failed = useRef(false);
  failed.current = fetched.hasFailed ?? false;
  const search = useCallback((text: string) => {
    setTyped(text);
    if (failed.current) setRound((count) => count + 1);
  }, []);
  // All that there is was fetched, or the one was asked for.
  const isAll = fetched.isWhole === true && remote?.search === undefined && remote?.one === undefined;
  const isUnknown = !isKnown && remote?.free !== true && (isAll || unknown === value);
  return useMemo(() => {
    if (!remote) return undefined;
    const others = stored && !fetched.choices.some((one) => one.value === stored.value) ? [stored] : [];
    return {
      choices: [...fetched.choices, ...others],
      words: isUnknown ? words.unknownChoice(String(value)) : undefined,
      properties: {
        status: fetched.status,
        free: remote.free === true,
        // A press on the box asks again where it failed; otherwise what was fetched is searched in the box itself.
        onSearch: remote.search !== undefined || fetched.hasFailed === true ? search : undefined,
      },
    };
  }, [remote, fetched, stored, search, isUnknown, value, words]);
}

/** What failed is asked again the next time. */
function keep(cache: Map<string, Promise<unknown>>, address: string, answer: Promise<unknown>): Promise<unknown> {
  cache.set(address, answer);
  answer.catch(() => cache.delete(address));
  return answer;
}
