/** The value that a form sends, changed in place: a key press must not copy five thousand members. */
import { isObject, ownMember, parsePointer, joinPointer, setOwn, type Pointer } from '../json/index.js';

export class FormDocument {
  constructor(public root: unknown = undefined) {}

  read(at: Pointer): unknown {
    let value = this.root;
    for (const token of parsePointer(at)) value = ownMember(value, token);
    return value;
  }

  /**
   * Writes a value, or takes the member away where it is `undefined`. Objects on the way are made; one that the last
   * member leaves empty goes too, unless `keeps` says that it has to be there; `isList` tells where a list is made.
   * @returns the outermost place that has changed.
   */
  write(at: Pointer, value: unknown, keeps: (at: Pointer) => boolean, isList: (at: Pointer) => boolean): Pointer {
    const tokens = parsePointer(at);
    const holders: unknown[] = [];
    let changed = at;
    let holder: unknown = this.root;
    let where = '';
    for (const [i, token] of tokens.entries()) {
      if (typeof holder !== 'object' || holder === null) {
        if (value === undefined) return at;
        if (where.length < changed.length) changed = where;
        holder = isList(where) ? [] : {};
        this.#put(holders, tokens, i, holder);
      }
      holders.push(holder);
      holder = ownMember(holder, token);
      where = joinPointer(where, token);
    }
    this.#put(holders, tokens, tokens.length, value);
    if (value !== undefined) return changed;
    for (let i = holders.length - 1; i >= 0; i--) {
      const place = tokens.slice(0, i).reduce<string>(joinPointer, '');
      if (
        i === 0 ||
        !isObject(holders[i]) ||
        Object.keys(holders[i] as object).length > 0 ||
        Array.isArray(holders[i - 1]) ||
        keeps(place)
      )
        break;
      this.#put(holders, tokens, i, undefined);
      changed = place;
    }
    return changed;
  }

  #put(holders: readonly unknown[], tokens: readonly string[], depth: number, value: unknown): void {
    if (depth === 0) {
      this.root = value;
      return;
    }
    const holder = holders[depth - 1] as Record<string, unknown> | unknown[];
    const token = tokens[depth - 1] as string;
    if (value !== undefined) setOwn(holder, token, value);
    else if (!Array.isArray(holder)) delete holder[token];
    // An item that is emptied stays where it is; the items after it do not move up while somebody types.
    else holder[Number(token)] = null;
  }
}
