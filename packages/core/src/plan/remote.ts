/** Values to choose from that a server gives: their address, and what its answer means. */
import { parseTemplate } from 'url-template';
import { isObject, lookUp, ownMember } from '../json/index.js';
import { resolveUri } from '../schema/index.js';
import type { Remote } from './hints.js';

/** One value to choose from, as a server's answer has it. */
export interface RemoteChoice {
  readonly value: unknown;
  readonly text: string;
}

/** The variables of a URI template (RFC 6570), in order. */
export function templateVariables(template: string): string[] {
  const names = [...template.matchAll(/\{[+#./;?&]?([^}]*)\}/g)].flatMap(([, list = '']) => list.split(','));
  return names.map((name) => name.replace(/(\*|:\d+)$/, '').trim()).filter((name) => name !== '');
}

/** What an address is filled in from. */
export interface Asked {
  readonly form: unknown;
  readonly here: unknown;
}
type Variables = Readonly<Record<string, string>> | undefined;

/** The value of a variable: looked for where `variables` says, then beside the place, then at the form's root. */
export function variableOf(name: string, variables: Variables, { form, here }: Asked): unknown {
  const pointer = ownMember(variables, name);
  return typeof pointer === 'string' ? lookUp(form, pointer) : (ownMember(here, name) ?? ownMember(form, name));
}

/**
 * A URI template with its variables filled in, or `undefined` while one that it needs has no value. `own` are those that
 * come from elsewhere than the form; they may be empty.
 */
export function filledIn(
  template: string,
  variables: Variables,
  asked: Asked,
  own: Readonly<Record<string, unknown>> = {},
): string | undefined {
  const given: Record<string, string | number | boolean> = {};
  for (const name of templateVariables(template)) {
    const isOwn = Object.hasOwn(own, name);
    const value = isOwn ? own[name] : variableOf(name, variables, asked);
    if (value === undefined || value === null || (value === '' && !isOwn) || typeof value === 'object')
      return undefined;
    given[name] = value as string | number | boolean;
  }
  return expand(template, given);
}

/** The address to ask for choices; `typed` is what the search is for. */
export function remoteAddress(
  { from, search, variables }: Remote,
  { typed, ...asked }: Asked & { readonly typed: string },
): string | undefined {
  return filledIn(from, variables, asked, search === undefined ? {} : { [search]: typed });
}

/** The address of one item by its key, where the hint tells one. */
export function remoteItemAddress({ one }: Remote, key: unknown): string | undefined {
  return one === undefined || (typeof key !== 'string' && typeof key !== 'number') ? undefined : expand(one, { key });
}

function expand(template: string, values: Record<string, string | number | boolean>): string | undefined {
  const address = parseTemplate(template).expand(values);
  return isAsked(address) ? address : undefined;
}

/** The choices in an answer; what does not have the shape that the hint tells is left out. */
export function remoteChoices({ list = '', key, text }: Remote, answer: unknown): RemoteChoice[] {
  const items: unknown = lookUp(answer, list);
  if (!Array.isArray(items)) return [];
  return items.flatMap((item) => remoteChoice({ key, text }, item));
}

/**
 * The address of an answer's next part, or `undefined` where it was the last. One that leads to another host is none:
 * that this host may be asked says nothing of others.
 */
export function remoteNext({ next }: Remote, answer: unknown, address: string): string | undefined {
  const said: unknown = next === undefined ? undefined : lookUp(answer, next);
  if (typeof said !== 'string' || said === '') return undefined;
  const following = resolveUri(address, said);
  return isAsked(following) && originOf(following) === originOf(address) && following !== address
    ? following
    : undefined;
}
/** Empty for an address of the page's own server. */
const originOf = (address: string): string => (/^\w+:\/\/[^/?#]*/.exec(address)?.[0] ?? '').toLowerCase();
/** Only addresses of the web, or of the page's own server, are asked. */
const isAsked = (address: string): boolean => /^(https?:\/\/|\/(?!\/))/i.test(address);

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
