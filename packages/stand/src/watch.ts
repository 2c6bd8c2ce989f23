/** Listening to the page itself: warnings in the console, errors nobody caught, listeners that are left behind. */

import type { AdapterDescription } from '@poietra/core';

export interface Watch {
  /** What was warned of since the watch began. */
  readonly warnings: readonly string[];
  /** Addresses that the page has asked for, and that the stand let nothing through to. */
  readonly refused: readonly string[];
  /** How often something was warned of, also what was known. */
  readonly told: number;
  /** Listeners on window, document and body that are still there. */
  listeners(): number;
  stop(): void;
}

/** A watch of the page's own world, which can tell what was thrown. */
export interface OwnWatch extends Watch {
  /** Of the warnings, what nobody caught. */
  readonly thrown: readonly string[];
}

/** Console arguments as one text, with `%s` filled in as the console does. */
export function consoleText(args: readonly unknown[]): string {
  const [first, ...rest] = args;
  if (typeof first !== 'string') return args.map(text).join(' ');
  const values = [...rest];
  const filled = first.replace(/%[sdifoO]/g, () => (values.length > 0 ? text(values.shift()) : ''));
  return [filled, ...values.map(text)].join(' ').replace(/\s+/g, ' ').trim();
}

/** Of an object its message, or what it holds; “[object Object]” tells nobody anything. */
function text(value: unknown): string {
  if (typeof value !== 'object' || value === null) return String(value);
  if ('message' in value && typeof value.message === 'string') return value.message;
  const isPlain = [Object.prototype, Array.prototype, null].includes(Object.getPrototypeOf(value) as object | null);
  try {
    return isPlain ? JSON.stringify(value) : String(value);
  } catch {
    // What leads round in a circle has no such text.
    return Object.keys(value).join(' ');
  }
}

const open = new Set<OwnWatch & { warnings: string[]; thrown: string[]; told: number }>();
/** Of the whole page: what was asked for once is often kept, and not asked for again. */
const refused: string[] = [];
let isPatched = false;
let alive = 0;

export function watch(): OwnWatch {
  patch();
  const before = alive;
  const own = {
    warnings: [] as string[],
    thrown: [] as string[],
    refused,
    told: 0,
    listeners: () => alive - before,
    stop: () => void open.delete(own),
  };
  open.add(own);
  return own;
}

function note(text: string, kind: 'warnings' | 'thrown' = 'warnings'): void {
  for (const one of open) {
    one.told++;
    for (const list of new Set([one.warnings, one[kind]])) if (!list.includes(text)) list.push(text);
  }
}

/** Whether it tells of nothing but that an address did not answer, to which the stand lets nothing through: the input is not to blame. */
export const isOfRefused = (text: string, addresses: readonly string[]): boolean =>
  addresses.some((address) => text.includes(address)) ||
  (addresses.length > 0 && /\b(fail|error|unable|could not)\w*\b.*\b(load|fetch)/i.test(text));

/** Whether the framework tells only that a component is written in a way that it will give up: true of every use, and of no one's making. */
export const isOfAge = (text: string): boolean =>
  /\b(defaultProps|findDOMNode|string refs?|\w*ontextTypes API)\b.*\bwill be removed\b.*\bmajor release|\bcomponentWill\w+ has been renamed, and is not recommended|\bLegacy context API has been detected|\b(findDOMNode|string refs?) (is|was) deprecated in StrictMode/i.test(
    text,
  );

const handedOn =
  /unknown prop ["'`]([\w-]+)["'`] is being sent through to the DOM|does not recognize the [`']([\w-]+)[`'] prop on a DOM element|Received [`'](?:true|false)[`'] for a non-boolean attribute [`']([\w-]+)/;
/** Whether it tells that the input hands something on to HTML that the adapter never gave it: its own parts say so however it is used. */
export const isOfItself = (text: string, adapter: AdapterDescription): boolean => {
  const name = handedOn.exec(text)?.slice(1).find(Boolean);
  return name !== undefined && !JSON.stringify(adapter).includes(`"${name}"`);
};

function patch(): void {
  if (isPatched) return;
  isPatched = true;
  for (const level of ['error', 'warn'] as const) {
    const original = console[level].bind(console);
    console[level] = (...args: unknown[]) => {
      original(...args);
      note(consoleText(args).slice(0, 3000));
    };
  }
  window.addEventListener('error', ({ message }) => {
    // Said by browsers when a layout takes two rounds; nothing is wrong then.
    if (!message.startsWith('ResizeObserver loop')) note(message, 'thrown');
  });
  window.addEventListener('unhandledrejection', ({ reason }) =>
    note(reason instanceof Error ? reason.message : String(reason), 'thrown'),
  );
  window.addEventListener('securitypolicyviolation', ({ blockedURI }) => {
    if (/^https?:/.test(blockedURI) && !refused.includes(blockedURI)) refused.push(blockedURI);
  });
  countListeners();
}

function countListeners(): void {
  const kept = new WeakMap<EventTarget, Map<string, Set<unknown>>>();
  const add = EventTarget.prototype.addEventListener;
  const remove = EventTarget.prototype.removeEventListener;
  // Called bare, as `addEventListener(…)`, the page itself is meant.
  const isGlobal = (target: unknown): target is EventTarget =>
    target === undefined ||
    target === window ||
    target === document ||
    target === document.body ||
    target === document.documentElement;
  const placeOf = (target: EventTarget | undefined): EventTarget => target ?? window;
  const key = (type: string, options: unknown): string =>
    `${type} ${String(typeof options === 'object' ? (options as { capture?: boolean } | null)?.capture === true : options === true)}`;
  EventTarget.prototype.addEventListener = function (type, listener, options) {
    // Nothing is given as “null” by some; the types know of none.
    const { once, signal } = typeof options === 'object' ? ((options as AddEventListenerOptions | null) ?? {}) : {};
    if (isGlobal(this) && listener && !once && !signal?.aborted) {
      const all = kept.get(placeOf(this)) ?? new Map<string, Set<unknown>>();
      const own = all.get(key(type, options)) ?? new Set();
      if (!own.has(listener)) alive++;
      own.add(listener);
      all.set(key(type, options), own);
      kept.set(placeOf(this), all);
      const gone = (): void => {
        if (own.delete(listener)) alive--;
      };
      if (signal) add.call(signal, 'abort', gone, { once: true });
    }
    add.call(this, type, listener, options);
  };
  EventTarget.prototype.removeEventListener = function (type, listener, options) {
    if (isGlobal(this) && kept.get(placeOf(this))?.get(key(type, options))?.delete(listener)) alive--;
    remove.call(this, type, listener, options);
  };
}
