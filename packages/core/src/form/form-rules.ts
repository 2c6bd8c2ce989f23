/**
 * Rules: expressions that have to hold, with what is told where they do not. Each is asked again when a value that it
 * looks at changes, and only then. While something that it looks at is wrong by itself, the rule has nothing to say: one
 * fault is told once.
 */
import { effect, untracked } from '@preact/signals-core';
import type { Pointer } from '../json/index.js';
import { eachPlace } from './each-place.js';
import type { Attended, Attendant } from './ground.js';
import type { Place, Ruling } from './place.js';
import { newSource, problemOf, rule as say } from './rulings.js';
import type { PlacedRule } from './types.js';

export function attendRules(form: Attended, rules: readonly PlacedRule[]): Attendant {
  for (const rule of rules) eachPlace(form, rule.at, (at) => follow(form, rule, at));
  return {};
}

function follow(form: Attended, { holds, message, tells = [''] }: PlacedRule, at: Pointer): () => void {
  const source = newSource();
  const owner = form.place(at);
  const places = tells.map((below) => form.place(at + below));
  const end = effect(() => {
    const told = isBroken() ? places.filter((place) => place.inForce) : [];
    untracked(() => {
      const [first] = told;
      // The same problem at each of them: the form lists it once.
      const ruling: Ruling | undefined = first && { problems: [problemOf(first, 'rule', message)], pending: false };
      say(source, new Map<Place, Ruling>(ruling ? told.map((place) => [place, ruling]) : []));
    });
  });
  return () => {
    end();
    say(source, new Map());
  };

  function isBroken(): boolean {
    if (!owner.inForce) return false;
    const said = form.ask(at, holds);
    if (!('value' in said) || said.value === true) return false;
    if (said.value !== false) {
      untracked(() => form.trouble(at, `The rule “${holds}” has to give true or false; it gave something else.`));
      return false;
    }
    return [...places, ...form.looksAt(at, holds)].every((place) => place.isSound);
  }
}
