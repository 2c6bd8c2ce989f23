/**
 * How a frame speaks to the page around it. Foreign code runs in the frame, too, and must not speak in the stand's name:
 * each text begins with a secret, which the page sends once the frame has loaded, and which foreign code never sees. This
 * module runs before all foreign ones; what it works with is taken as it is then, before they may change it.
 */
const { apply } = Reflect;
const { stringify } = JSON;

let secret: string | undefined;
/** What was said before the secret came. */
let early: string[] = [];
let post = (_text: string, _to: string): void => undefined;

/** Whether anything was said: the frame's own work has begun, so all that it stands on was loaded. */
let hasBegun = false;

/** Says it to the page around: as a text, whose length is known before anybody reads it. */
export function say(message: object): void {
  hasBegun = true;
  const text = stringify(message);
  if (secret === undefined) early[early.length] = text;
  else post(`${secret}${text}`, '*');
}

/** What the browser says of an error, without how it begins: “Uncaught TypeError: …”. */
const reasonIn = (message: string): string => message.replace(/^Uncaught (\w*Error: )?/, '').slice(0, 4000);

const isSecret = (data: unknown): data is { secret: string } =>
  typeof data === 'object' && data !== null && 'secret' in data && typeof data.secret === 'string';

const isQuestion = (data: unknown): data is { asked: number } =>
  typeof data === 'object' && data !== null && 'asked' in data && typeof data.asked === 'number';

function listen(): void {
  const { parent } = window;
  post = parent.postMessage.bind(parent);
  const stop = Event.prototype.stopImmediatePropagation;
  const getter = (name: 'data' | 'source'): ((this: MessageEvent) => unknown) =>
    Object.getOwnPropertyDescriptor(MessageEvent.prototype, name)?.get as (this: MessageEvent) => unknown;
  const [dataOf, sourceOf] = [getter('data'), getter('source')];
  window.addEventListener(
    'message',
    (event) => {
      const data = apply(dataOf, event, []);
      if (apply(sourceOf, event, []) !== parent) return;
      // What was said before the answer is there before it.
      if (hasBegun && isQuestion(data)) say({ kind: 'answered', number: data.asked });
      if (secret !== undefined || !isSecret(data)) return;
      apply(stop, event, []);
      secret = data.secret;
      for (let i = 0; i < early.length; i++) post(`${secret}${early[i] ?? ''}`, '*');
      early = [];
    },
    true,
  );
  // A module that fails as it is loaded takes the whole script along: nobody else could tell.
  window.addEventListener('error', ({ message }) => {
    if (!hasBegun) say({ kind: 'not loaded', message: reasonIn(message) });
  });
  // A trusted event cannot be made by a script, and `isTrusted` cannot be put over.
  window.addEventListener(
    'pointerdown',
    (event) => {
      if (event.isTrusted && hasBegun) say({ kind: 'pressed' });
    },
    true,
  );
}
// What draws on a server imports it, too, and has nobody to speak to.
if (typeof window !== 'undefined') listen();
