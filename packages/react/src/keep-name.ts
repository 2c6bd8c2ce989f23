/**
 * Lets a box keep its name and type while the framework looks it over, which it does at each key press: it takes the
 * name away, writes the type, and gives the name back. Each time the browser forgets which boxes its form has under
 * which names. The framework also keeps notes at the elements, and a form that is asked for such a note looks among the
 * names of its boxes first: it counts through all of them anew, some milliseconds in a form of 5,000, several times a
 * key press. So what is written as it was is not written, and a name that is taken away goes at the end of the turn, if
 * it is not back by then. Radios let go of theirs at once, since their groups hang on it.
 */
export function keepName(box: EventTarget): void {
  if (!(box instanceof HTMLInputElement) || Object.hasOwn(box, 'name')) return;
  const own = HTMLInputElement.prototype;
  let isGone = false;
  for (const key of ['name', 'type'] as const) {
    const write = (text: unknown) => box.getAttribute(key) !== text && Reflect.set(own, key, text, box);
    Object.defineProperty(box, key, {
      configurable: true,
      get: () => (isGone && key === 'name' ? '' : Reflect.get(own, key, box)),
      set(text: unknown) {
        if (key === 'name') isGone = text === '' && box.type !== 'radio';
        if (key === 'type' || !isGone) write(text);
        else
          queueMicrotask(() => {
            // Where it was taken away as an attribute meanwhile, nothing is left to do.
            if (isGone && box.hasAttribute(key)) write('');
            isGone = false;
          });
      },
    });
  }
}
