/**
 * Whom a form may ask beside the demo company. Somebody is asked once for each host; the answer stands in the kit. A kit
 * that comes from elsewhere may bring hosts along: what counts is whether they were allowed in this browser, too.
 */
import { joinPointer } from '@poietra/core';
import { create } from 'zustand';
import { ask, AskError } from './ask.js';
import { companyAddress } from '../parts/company-address.js';
import { useKit } from './kit.js';

interface Question {
  readonly origin: string;
  answer(isAllowed: boolean): void;
}
/** Hosts that somebody has to be asked about; each question once, however many wait for it. */
export const useHostQuestions = create<{ readonly questions: readonly Question[] }>(() => ({ questions: [] }));

const remembered = 'poietra-hosts';
function allowedHere(): readonly string[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(remembered) ?? '[]');
    return Array.isArray(kept) ? kept.filter((one) => typeof one === 'string') : [];
  } catch {
    return [];
  }
}
const isAllowed = (origin: string): boolean =>
  useKit.getState().kit.hosts?.[origin] !== undefined && allowedHere().includes(origin);

/** The origin of an address that is somebody else's; `undefined` for all others. */
export function originOf(address: string): string | undefined {
  const url = URL.canParse(address) ? new URL(address) : undefined;
  const isOther = url && /^https?:$/.test(url.protocol) && url.origin !== location.origin;
  return isOther && url.username === '' && url.password === '' ? url.origin : undefined;
}

/** From now on a host may be asked; of a kit that says so already, only this browser takes note. */
export function allowHost(origin: string): void {
  localStorage.setItem(remembered, JSON.stringify([...new Set([...allowedHere(), origin])]));
  if (useKit.getState().kit.hosts?.[origin]) return;
  const allowed = new Date().toISOString();
  useKit.getState().edit(`Allow ${origin} to be asked`, { [joinPointer('/hosts', origin)]: { allowed } });
}

const waiting = new Map<string, Promise<boolean>>();
function allowed(origin: string): Promise<boolean> {
  const known = waiting.get(origin);
  if (known) return known;
  const asked = new Promise<boolean>((resolve) => {
    const answer = (isSo: boolean): void => {
      waiting.delete(origin);
      useHostQuestions.setState(({ questions }) => ({ questions: questions.filter((one) => one.origin !== origin) }));
      if (isSo) allowHost(origin);
      resolve(isSo);
    };
    useHostQuestions.setState(({ questions }) => ({ questions: [...questions, { origin, answer }] }));
  });
  waiting.set(origin, asked);
  return asked;
}

// The answer would stand in another kit than the one that was meant.
useKit.subscribe(({ id }, before) => {
  if (id !== before.id) for (const { answer } of useHostQuestions.getState().questions) answer(false);
});

/** Asks the demo company, or a host that is allowed; of another one, somebody is asked first. @throws {AskError} */
export async function askElsewhere(address: string): Promise<unknown> {
  const company = companyAddress(address);
  if (company !== undefined) return ask(company);
  const origin = originOf(address);
  if (origin === undefined)
    throw new AskError(`From here addresses below /company/ are asked, and those of other hosts, not ${address}.`, 0);
  if (!isAllowed(origin) && !(await allowed(origin))) throw new AskError(`${origin} is not allowed to be asked.`, 0);
  const { text } = (await ask('/api/answer', { method: 'POST', json: { address } })) as { readonly text: string };
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new AskError(`What ${origin} answers is no JSON.`, 0);
  }
}
