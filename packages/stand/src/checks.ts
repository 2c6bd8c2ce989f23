/** How each check of the contract is made. Every check mounts what it needs and takes it away again. */
import { hasNotation, same, toNotation, type CheckId } from '@poietra/core';
import { focused, workingElements } from '@poietra/react';
import { computeAccessibleDescription, computeAccessibleName } from 'dom-accessibility-api';
import { isToldBare } from './bare.js';
import {
  appearance,
  before,
  carrier,
  change,
  type Check,
  drawsSomething,
  fail,
  isAboutServer,
  isDisabled,
  isInReach,
  hasTakenFocus,
  isInside,
  isReachedByTab,
  isToldInside,
  looks,
  noGesture,
  none,
  type Outcome,
  paint,
  pass,
  withSheetsInHead,
} from './bench.js';
import { doubleId } from './double-id.js';
import { GestureError, leave, pressOn } from './hands.js';
import { fullLook, look, lookDifference } from './look.js';
import { pixelsOf, toldOf } from './outside.js';
import { chosenBy, isToldAs } from './sample-choices.js';
import { settle } from './settle.js';
import { labelDrawnIn } from './targets.js';
import { elsewhere, trialName, words } from './wanted.js';
import { isOfAge, isOfItself, isOfRefused } from './watch.js';

/** References win over words of its own (Accessible Name and Description Computation 1.2, 4.2), also those to nothing. */
function described(element: Element): string {
  const own = element.hasAttribute('aria-describedby') ? '' : (element.getAttribute('aria-description') ?? '');
  // What describes it from around its shadow tree no attribute tells.
  const around = [...(element.ariaDescribedByElements ?? [])].map(({ textContent }) => textContent);
  const byIds = computeAccessibleDescription(element);
  return [...(around.every((text) => byIds.includes(text)) ? [byIds] : around), own].join(' ').trim();
}

export const checks: Readonly<Record<CheckId, Check>> = {
  async mounts(bench, mount) {
    const trial = await mount();
    if (trial.error !== undefined) return fail(trial.error);
    if (trial.box.childElementCount === 0) return fail('Nothing was drawn.');
    if (await drawsSomething(trial)) return pass('It stands.');
    trial.end();
    // A bare box shows nothing until there is something in it.
    const [shown] = bench.samples;
    if (shown !== undefined && (await drawsSomething(await mount({ state: { shown } }))))
      return pass('It stands, and is to be seen with a value only.');
    const [address] = bench.watch.refused;
    const asked = address === undefined ? '' : ` It asked for ${address}; the stand lets nothing through.`;
    const [warning] = bench.watch.warnings;
    const said = warning === undefined ? '' : ` The page said: ${warning}`;
    return fail(`It draws nothing: where it stands there is not one pixel of it.${asked}${said}`);
  },

  async held({ samples: [a, b] }, mount) {
    if (a === undefined) return none('No value is known that it shows.');
    const [empty, emptyPixels] = await appearance(await mount());
    const [first, pixels] = await appearance(await mount({ state: { shown: a } }));
    if (empty === first) return fail('With a value it looks as it does empty.');
    if (pixels !== undefined && pixels === emptyPixels)
      return fail('Its elements know the value, but nothing is to be seen of it.');
    if (b === undefined || typeof b === 'boolean') return pass('With a value it looks otherwise than empty.');
    const second = fullLook((await mount({ state: { shown: b } })).box);
    return first === second ? fail('Two values look the same.') : pass('Empty and two values are told apart.');
  },

  async late({ samples: [a] }, mount) {
    if (a === undefined) return none('No value is known that it shows.');
    const wanted = await mount({ state: { shown: a } });
    const trial = await mount();
    await trial.set({ shown: a });
    const isShown = looks(
      look(trial.box),
      look(wanted.box),
      'A later value looks as if it had been there from the start.',
    );
    const far = elsewhere(a);
    if (isShown.state !== 'pass' || same(far, a)) return isShown;
    // A calendar may know the day and stay at its page.
    const there = await mount({ state: { shown: far } });
    await trial.set({ shown: far });
    return looks(look(trial.box), look(there.box), isShown.seen);
  },

  async default(bench, mount) {
    const start = before(bench);
    const shown = start === false || start === undefined ? bench.samples[0] : start;
    if (shown === undefined) return none('No value is known that it shows.');
    const trial = await mount({ state: { shown } });
    if (fullLook((await mount()).box) === fullLook(trial.box)) return fail('The default is not to be seen.');
    if (!bench.adapter.gesture || shown !== start) return pass('The default is shown.');
    await change(bench, trial);
    return trial.reports.length > 0
      ? pass('The default is shown and was changed.')
      : fail('It cannot be changed from its default.');
  },

  async empties({ samples: [a], watch: { warnings } }, mount) {
    const wanted = a === undefined ? undefined : look((await mount({ state: { shown: a } })).box);
    const earlier = warnings.length;
    for (const empty of [undefined, null, '', 0, false]) {
      const said = empty === '' ? 'An empty text' : String(empty);
      const trial = await mount({ state: { shown: empty } });
      if (trial.error !== undefined) return fail(`${said} makes it fail: ${trial.error}`);
      if (a !== undefined) await trial.set({ shown: a });
      if (warnings.length > earlier) return fail(`${said} leads to a warning: ${warnings.at(-1) ?? ''}`);
      if (wanted !== undefined && look(trial.box) !== wanted)
        return fail(`After ${said} a value is not shown as it should be: ${lookDifference(wanted, look(trial.box))}.`);
    }
    return pass('All five are taken, and a value after each is shown.');
  },

  async reports(bench, mount) {
    if (!bench.adapter.gesture) return noGesture;
    const trial = await mount();
    await change(bench, trial);
    const { reports } = trial;
    if (reports.length === 0) return fail('Nothing was reported.');
    const twice = reports.findIndex((value, i) => i > 0 && same(value, reports[i - 1]));
    if (twice > 0)
      return fail(`The same value was reported ${reports.filter((one) => same(one, reports[twice])).length} times.`);
    return reports.at(-1) === undefined && reports.length === 1
      ? fail('It reported nothing at the path.')
      : pass(`${reports.length === 1 ? 'One report' : `${reports.length} reports, each with another value`}.`);
  },

  async right(bench, mount) {
    if (!bench.adapter.gesture) return noGesture;
    const trial = await mount();
    await change(bench, trial);
    if (trial.reports.length === 0) return fail('Nothing was reported.');
    const chosen = bench.adapter.choices && chosenBy(bench.adapter.gesture);
    const told = trial.reports.at(-1);
    if (chosen && !isToldAs(chosen.value, told))
      return fail(
        `For the choice “${chosen.text}” it reported ${JSON.stringify(toNotation(told))}, not its value “${chosen.value}”.`,
      );
    const again = await mount({ state: { shown: trial.wanted.shown } });
    await settle();
    if (fullLook((await mount()).box) === fullLook(again.box))
      return fail('What it reported looks like nothing when it is given back.');
    return looks(look(again.box), look(trial.box), 'Given back, it looks as it did after the gesture.');
  },

  async refused(bench, mount) {
    if (!bench.adapter.gesture) return noGesture;
    const trial = await mount({ state: { shown: before(bench) }, form: 'refuses' });
    const wanted = look(trial.box);
    await change(bench, trial);
    if (trial.reports.length === 0) return fail('Nothing was reported.');
    return looks(look(trial.box), wanted, 'It went back to the held value.');
  },

  async clears({ samples: [a] }, mount) {
    if (a === undefined) return none('No value is known that it shows.');
    const trial = await mount({ state: { shown: a } });
    await trial.set({ shown: undefined });
    return looks(look(trial.box), look((await mount()).box), 'Emptied, it looks as it did when it was mounted empty.');
  },

  async leaves(_bench, mount) {
    const trial = await mount();
    trial.takeFocus();
    await settle();
    if (!isInside(trial)) return fail('The focus could not be given to it.');
    await leave();
    return trial.leaves === 1 ? pass('Told once.') : fail(`Leaving was told ${trial.leaves} times.`);
  },

  async focus(_bench, mount) {
    const trial = await mount();
    trial.takeFocus();
    await settle();
    const taker = focused()?.tagName.toLowerCase() ?? '';
    if (hasTakenFocus(trial)) return pass(`A ${taker} inside has the focus.`);
    return fail(
      isInside(trial) ? `The focus is on a ${taker} around it, where no key does anything.` : 'The focus is elsewhere.',
    );
  },

  async label(_bench, mount) {
    const trial = await mount();
    await leave();
    const label = document.getElementById(`${trial.id}-label`) ?? labelDrawnIn(trial.box, words.label);
    if (!label) return fail('Its label is not to be seen.');
    const before = new Set(document.querySelectorAll('*'));
    await pressOn(label);
    await settle();
    if (trial.reports.length > 0) return pass('The press on the label changed it.');
    if (hasTakenFocus(trial)) return pass('The focus went inside.');
    const active = focused();
    const isFresh = active !== null && active !== document.body && !before.has(active);
    // A label presses the button that it is of, and what that opens may take the focus.
    return isFresh && trial.box.querySelector('[aria-expanded=true]')
      ? pass('The press on the label opened it, and the focus went there.')
      : fail('The focus did not go inside.');
  },

  async name(bench, mount) {
    const trial = await mount();
    const toldIn = async (when: string): Promise<Outcome | undefined> => {
      const element = carrier(bench, trial);
      const told = await toldOf(element);
      if (told && !(await isToldInside(trial)))
        return fail(`${when}the browser tells a screen reader of nothing inside it.`);
      const name = told?.name ?? computeAccessibleName(element);
      if (!name.includes(words.label)) return fail(`${when}the real element is named “${name}”, not “${words.label}”.`);
      named = `The ${element === trial.box ? 'group' : 'real element'} is named “${name}”.`;
      return undefined;
    };
    let named = '';
    const [a] = bench.samples;
    const atFirst = await toldIn('');
    if (atFirst || a === undefined) return atFirst ?? pass(named);
    // Some draw themselves anew with a value, or are made anew once it is taken away.
    await trial.set({ shown: a });
    const withValue = await toldIn('With a value, ');
    if (withValue) return withValue;
    await trial.set({ shown: undefined });
    return (await toldIn('Emptied again, ')) ?? pass(named);
  },

  async description(bench, mount) {
    const trial = await mount({ state: { invalid: true } });
    const element = carrier(bench, trial);
    const seen = (await toldOf(element))?.description ?? described(element);
    return seen.includes(words.hint) && seen.includes(words.error)
      ? pass('Hint and message describe it.')
      : fail(seen === '' ? 'It has no description.' : `It is described as “${seen}”.`);
  },

  async invalid(bench, mount) {
    const trial = await mount();
    const [shape, colours, pixels] = [fullLook(trial.box), paint(trial.box), await pixelsOf(trial.box)];
    await trial.set({ invalid: true });
    const isSeen = (): boolean => fullLook(trial.box) !== shape || paint(trial.box) !== colours;
    // Colours change with the next frames, which come late where the machine is busy.
    for (let times = 0; times < 20 && !isSeen(); times++) await settle(40);
    const element = carrier(bench, trial);
    if (!isSeen()) return fail('Nothing is to be seen of it.');
    if (pixels !== undefined && (await pixelsOf(trial.box)) === pixels)
      return fail('Its elements change, but nothing is to be seen of it.');
    const told = await toldOf(element);
    return (told ? told.states['invalid'] === 'true' : element.getAttribute('aria-invalid') === 'true')
      ? pass('To be seen, and said in ARIA.')
      : fail('It is to be seen, but ARIA does not say it.');
  },

  async required(bench, mount) {
    const trial = await mount({ state: { required: true } });
    const element = carrier(bench, trial);
    const told = await toldOf(element);
    const says = told
      ? told.states['required'] === true
      : element.getAttribute('aria-required') === 'true' || ('required' in element && element.required === true);
    const said = told
      ? `${told.name} ${told.description}`
      : `${computeAccessibleName(element)} ${computeAccessibleDescription(element)}`;
    return says || /required/.test(said) ? pass('It says so.') : fail('Nothing says that it is required.');
  },

  async disabled(bench, mount) {
    const trial = await mount({ state: { shown: before(bench) ?? bench.samples[0] } });
    const pixels = await pixelsOf(trial.box);
    await trial.set({ disabled: true });
    if (pixels !== undefined && (await pixelsOf(trial.box)) === pixels) return fail('It looks as if it could be used.');
    if (await isReachedByTab(trial)) return fail('The Tab key still leads into it.');
    const open = workingElements(trial.box).filter((element) => !isDisabled(element) && isInReach(element));
    try {
      await change(bench, trial);
    } catch (error) {
      if (!(error instanceof GestureError)) throw error;
    }
    if (trial.reports.length > 0) return fail('It reported a change although it is disabled.');
    const [first] = open;
    return first
      ? fail(`A ${first.tagName.toLowerCase()} inside can still be reached.`)
      : pass('Nothing inside can be reached or changed.');
  },

  async readOnly(bench, mount) {
    const start = before(bench);
    const trial = await mount({ state: { shown: start, readOnly: true } });
    const wanted = look(trial.box);
    try {
      await change(bench, trial);
    } catch (error) {
      if (!(error instanceof GestureError)) throw error;
    }
    if (!same(trial.wanted.shown, start)) return fail('Its value was changed although it is read only.');
    return looks(look(trial.box), wanted, 'The gesture changed nothing.');
  },

  async reset(bench, mount) {
    if (!bench.adapter.gesture) return noGesture;
    const start = before(bench);
    const trial = await mount({ state: { shown: start } });
    const wanted = look(trial.box);
    await change(bench, trial);
    await trial.set({ shown: start });
    return looks(look(trial.box), wanted, 'It looks as it did before.');
  },

  async twice(bench, mount) {
    const [one, other] = [await mount(), await mount()];
    const double = doubleId();
    if (double !== undefined) return fail(`The id “${double}” stands twice.`);
    const untouched = look(other.box);
    await change(bench, one);
    if (other.reports.length > 0) return fail('A change in one was reported by the other, too.');
    return looks(look(other.box), untouched, 'No id stands twice, and each keeps its own value.');
  },

  async again(bench, mount) {
    const cycle = async (): Promise<[number, number]> => {
      const trial = await mount({ state: { shown: bench.samples[0] } });
      trial.end();
      await settle(60);
      return [document.body.childElementCount, bench.watch.listeners()];
    };
    await cycle();
    const [first, second] = [await cycle(), await cycle()];
    if (second[0] > first[0]) return fail('Elements are left behind in the page.');
    if (second[1] > first[1]) return fail('Listeners are left behind on the page.');
    const trial = await mount();
    await change(bench, trial);
    return trial.error === undefined ? pass('Nothing is left, and it works again.') : fail(trial.error);
  },

  async strict(bench, mount) {
    const wanted = await mount({ state: { shown: bench.samples[0] } });
    const trial = await mount({ state: { shown: bench.samples[0] }, how: 'strict' });
    if (trial.error !== undefined) return fail(trial.error);
    if (look(trial.box) !== look(wanted.box))
      return fail(`It looks otherwise: ${lookDifference(look(wanted.box), look(trial.box))}.`);
    const working = await mount({ how: 'strict' });
    await change(bench, working);
    if (!bench.adapter.gesture) return pass('It shows its value.');
    return working.reports.length > 0 ? pass('It shows and reports as before.') : fail('Nothing was reported.');
  },

  async server(bench, mount) {
    const id = bench.ground.newId();
    const shown = hasNotation(bench.samples[0]) ? bench.samples[0] : undefined;
    const answer = await bench.ground.render({ adapter: bench.adapter, shown: toNotation(shown), id });
    if ('failed' in answer) return fail(answer.failed);
    const takeOver = async (html: string, earlier: number): Promise<Outcome> => {
      const trial = await mount({ state: { shown }, rendered: { id, html } });
      if (trial.error !== undefined) return fail(trial.error);
      const warning = bench.watch.warnings.slice(earlier).find((text) => isAboutServer.test(text));
      if (warning !== undefined)
        return fail(
          `Server and browser draw differently: ${(warning.split('hydration-mismatch').at(-1) ?? '').trim().slice(-400)}`,
        );
      if (trial.differences.length > 0) return fail(trial.differences[0] ?? '');
      const wanted = await mount({ state: { shown } });
      return looks(
        look(trial.box),
        look(wanted.box),
        bench.adapter.onServer
          ? 'A server draws nothing of it, as its adapter says; the browser draws it then.'
          : 'Server and browser draw the same.',
      );
    };
    const first = await takeOver(answer.html, bench.watch.warnings.length);
    const moved = first.state === 'fail' ? withSheetsInHead(answer.html) : undefined;
    if (moved === undefined) return first;
    const second = await takeOver(moved, bench.watch.warnings.length);
    return second.state === 'fail' ? first : second;
  },

  async native({ samples: [a], adapter }, mount) {
    // Once as it is shown and once as another text, since codecs change what is sent.
    for (const sent of typeof a === 'string' ? [a, 'as sent'] : ['as sent']) {
      const trial = await mount({ state: { shown: a, sent } });
      const form = trial.place.querySelector('form');
      const values = form ? new FormData(form).getAll(trialName) : [];
      if (values.length === 1 && values[0] === sent) continue;
      return fail(
        values.length === 0
          ? `The form’s data has no value${adapter.name ? `, though ${adapter.name.property} is given` : ''}.`
          : `The form’s data has “${values.map(String).join('”, “')}”; sent is “${sent}”.`,
      );
    }
    return pass('The form’s data has the sent value once.');
  },

  async typed(bench, mount) {
    if (!bench.adapter.gesture) return noGesture;
    const first = await mount();
    await change(bench, first);
    const wanted = look(first.box);
    // In the same place: half a pixel further down, a stroke of the pointer is another one.
    first.end();
    const trial = await mount({ form: 'cannot parse' });
    await change(bench, trial);
    const seen = look(trial.box);
    if (seen === wanted) return pass('What was entered still stands there.');
    // Some say in words of their own that a value is invalid, whatever it is.
    trial.end();
    const invalid = await mount();
    await change(bench, invalid);
    await invalid.set({ invalid: true });
    return looks(seen, look(invalid.box), 'What was entered still stands there, beside words about its being invalid.');
  },

  async silent({ adapter, ground, watch: { warnings, refused } }) {
    const isItsOwn = (text: string): boolean => isOfItself(text, adapter);
    const suspects = warnings.filter(
      (text) => !isAboutServer.test(text) && !isOfAge(text) && !isItsOwn(text) && !isOfRefused(text, refused),
    );
    const bare = suspects.length > 0 ? ((await ground.toldBare?.()) ?? []) : [];
    const isAlways = (text: string): boolean => isToldBare(text, bare, adapter);
    const always = suspects.find(isAlways);
    const others = suspects.filter((text) => !isAlways(text));
    const [address] = refused;
    const aged = warnings.find(isOfAge);
    const own = warnings.find(isItsOwn);
    const nothing = [
      [address, aged, own, always].every((one) => one === undefined)
        ? 'Nothing was warned of.'
        : 'Nothing was warned of that an adapter could mend.',
      ...(own === undefined ? [] : [`Its own parts hand on to HTML what HTML does not know: ${own.slice(0, 200)}`]),
      ...(always === undefined ? [] : [`It tells so wherever it stands, given nothing: ${always.slice(0, 200)}`]),
      ...(address === undefined ? [] : [`It asked for ${address}; the stand lets nothing through.`]),
      ...(aged === undefined
        ? []
        : [`It is written as the framework will not have it for ever: ${aged.slice(0, 200)}`]),
    ].join(' ');
    return others.length === 0 ? pass(nothing) : fail(others[0] ?? '');
  },
};
