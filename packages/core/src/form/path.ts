import { joinPointer, type Pointer } from '../json/index.js';

/** A value of a form as a way to walk along: everything is there, whether it is required or not. */
export type Steps<T> = T extends readonly (infer Item)[]
  ? { readonly [index: number]: Steps<NonNullable<Item>> }
  : T extends object
    ? { readonly [Name in keyof T]-?: Steps<NonNullable<T[Name]>> }
    : T;

/** A place in a form: a JSON Pointer, or a typed path such as `(booking) => booking.consignor.name`. */
export type Where<T> = Pointer | ((value: Steps<T>) => unknown);

/** The pointer of a typed path. The function is run once on a recorder, so it may only walk. */
export function pointerOf<T>(where: Where<T>): Pointer {
  if (typeof where === 'string') return where;
  let pointer = '';
  const recorder: object = new Proxy(
    {},
    {
      get(_target, name) {
        if (typeof name === 'symbol') throw new TypeError('A path names members: (form) => form.consignor.name.');
        pointer = joinPointer(pointer, name);
        return recorder;
      },
    },
  );
  where(recorder as Steps<T>);
  return pointer;
}
