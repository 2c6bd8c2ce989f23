/**
 * How a frame speaks to the page around it. Foreign code runs in the frame, too, and must not speak in the stand's name:
 * each text begins with a secret, which the page sends once the frame has loaded, and which foreign code never sees. This
 * module runs before all foreign ones; what it works with is taken as it is then, before they may change it.
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
/** What was said before the secret came. */
let early: string[] = [];
const isSecret = (data: unknown): data is { secret: string } =>
  typeof data === 'object' && data !== null && 'secret' in data && typeof data.secret === 'string';

window.addEventListener(
  'message',
  (event) => {
    const data = apply(dataOf, event, []);
    if (secret !== undefined || apply(sourceOf, event, []) !== parent || !isSecret(data)) return;
    apply(stop, event, []);
    secret = data.secret;
    for (let i = 0; i < early.length; i++) post(`${secret}${early[i] ?? ''}`, '*');
    early = [];
  },
  true,
);

/** Says it to the page around: as a text, whose length is known before anybody reads it. */
export function say(message: object): void {
  const text = stringify(message);
  if (secret === undefined) early[early.length] = text;
  else post(`${secret}${text}`, '*');
}

// A trusted event cannot be made by a script, and `isTrusted` cannot be put over.
window.addEventListener(
  'pointerdown',
  (event) => {
    if (event.isTrusted) say({ kind: 'pressed' });
  },
  true,
);
