/**
 * Tells the workbench that a person pressed something in this frame, which it cannot see by itself. Foreign code runs
 * here, too, and must not be able to say so: it can forge no trusted event, and it never learns the secret that goes with
 * the message. This module runs first; what it works with is taken as it is then, before foreign modules may change it.
 */
const { apply } = Reflect;
const { stringify } = JSON;
const stop = Event.prototype.stopImmediatePropagation;
const getter = (name: 'data' | 'source'): ((this: MessageEvent) => unknown) =>
  Object.getOwnPropertyDescriptor(MessageEvent.prototype, name)?.get as (this: MessageEvent) => unknown;
const [dataOf, sourceOf] = [getter('data'), getter('source')];
const { parent } = window;
const post = parent.postMessage.bind(parent);

let secret: string | undefined;
const isSecret = (data: unknown): data is { secret: string } =>
  typeof data === 'object' && data !== null && 'secret' in data && typeof data.secret === 'string';

window.addEventListener(
  'message',
  (event) => {
    const data = apply(dataOf, event, []);
    if (apply(sourceOf, event, []) !== parent || !isSecret(data)) return;
    apply(stop, event, []);
    secret ??= data.secret;
  },
  true,
);
// A trusted event cannot be made by a script, and `isTrusted` cannot be put over.
window.addEventListener(
  'pointerdown',
  (event) => {
    if (event.isTrusted && secret !== undefined) post(stringify({ kind: 'pressed', secret }), '*');
  },
  true,
);

export {};
