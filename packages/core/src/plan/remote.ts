/** Values to choose from that a server gives: their address, and what its answer means. */
import { isObject, lookUp, ownMember } from '../json/index.js';
import type { Remote } from './hints.js';

export interface RemoteChoice {
  readonly value: unknown;
  readonly text: string;
}

/** The variables of a URI template (RFC 6570), in order. */
export function templateVariables(template: string): string[] {
  const names = [...template.matchAll(/\{[+#./;?&]?([^}]*)\}/g)].flatMap(([, list = '']) => list.split(','));
  return names.map((name) => name.replace(/(\*|:\d+)$/, '').trim()).filter((name) => name !== '');
}

/**
 * The address to ask, or `undefined` while a variable that it needs has no value. A variable is looked for where
 * `variables` says, then beside the place, then at the form's root; the one that takes what is typed may be empty.
 */
export async function remoteAddress(
  remote: Remote,
  { form, here, typed }: { readonly form: unknown; readonly here: unknown; readonly typed: string },
): Promise<string | undefined> {
  const given: Record<string, string | number | boolean> = {};
  for (const name of templateVariables(remote.from)) {
    if (name === remote.search) {
      given[name] = typed;
      continue;
    }
    const pointer = ownMember(remote.variables, name);
    const value =
      typeof pointer === 'string' ? lookUp(form, pointer) : (ownMember(here, name) ?? ownMember(form, name));
    if (value === undefined || value === null || value === '' || typeof value === 'object') return undefined;
    given[name] = value as string | number | boolean;
  }
  return expand(remote.from, given);
}

/** The address of one item by its key, where the hint tells one. */
export async function remoteItemAddress({ one }: Remote, key: unknown): Promise<string | undefined> {
  return one === undefined || (typeof key !== 'string' && typeof key !== 'number') ? undefined : expand(one, { key });
}

/** Loaded when it is used: most forms ask nobody. Only addresses of the web, or of the page's own server, are asked. */
async function expand(
  template: string,
  values: Record<string, string | number | boolean>,
): Promise<string | undefined> {
  const { parseTemplate } = await import('url-template');
  const address = parseTemplate(template).expand(values);
  return /^(https?:\/\/|\/(?!\/))/i.test(address) ? address : undefined;
}

/** The choices in an answer; what does not have the shape that the hint tells is left out. */
export function remoteChoices({ list = '', key, text }: Remote, answer: unknown): RemoteChoice[] {
  const items: unknown = lookUp(answer, list);
  if (!Array.isArray(items)) return [];
  return items.flatMap((item) => remoteChoice({ key, text }, item));
}

/** One item as a choice. */
export function remoteChoice(
  { key, text }: { readonly key?: string | undefined; readonly text?: string | undefined },
  item: unknown,
): RemoteChoice[] {
  const value: unknown = key === undefined ? item : lookUp(item, key);
  const words: unknown = text === undefined ? value : lookUp(item, text);
  if (value === undefined || isObject(value) || Array.isArray(value)) return [];
  return [{ value, text: typeof words === 'string' || typeof words === 'number' ? String(words) : String(value) }];
}
