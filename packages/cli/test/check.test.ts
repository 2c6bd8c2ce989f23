import type { AdapterDescription } from '@poietra/core';
import type { Checked } from '../src/check.js';
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';

const home = join(__dirname, '../../..');
const check = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    [join(home, 'packages/cli/dist/main.js'), 'check', ...args],
    { cwd: home, encoding: 'utf8', maxBuffer: 50_000_000, env: { ...process.env, INIT_CWD: home } },
  );
  return { status, stdout, stderr };
};

const nameOf = ({ name }: Checked): string => name.slice(name.indexOf('#') + 1);
const failedIn = (all: readonly Checked[]): Record<string, string[]> =>
  Object.fromEntries(
    all.map((one) => [
      nameOf(one),
      one.sheet.verdicts.filter(({ state }) => state === 'fail').map(({ check: id }) => id),
    ]),
  );

const faulty = 'packages/stand/test/faulty';
/** All planted inputs, in one run: they are read and bundled once. */
let planted: readonly Checked[];
let status: number | null;
const mostTime = 1_800_000;
beforeAll(() => {
  const files = [
    'inputs',
    'hidden',
    'looks',
    'not-loaded',
    'parts',
    'waits',
    'wants',
    'wants-dates',
    'wants-values',
    'window',
  ];
  const done = check(faulty, '--json', '--only', files.map((file) => `/${file}.tsx`).join(','));
  planted = JSON.parse(done.stdout) as Checked[];
  ({ status } = done);
}, mostTime);
/** Those of some files, or of these names. */
const plantedIn = (...texts: string[]): Checked[] =>
  planted.filter(({ name }) => texts.some((text) => name.includes(text)));
const adaptersIn = (file: string): Map<string, AdapterDescription> =>
  new Map(plantedIn(file).map((one) => [nameOf(one), one.adapter]));

describe('poietra check in a real browser', () => {
  it('ends when it is told to, browser and all', async () => {
    const main = join(home, 'packages/cli/dist/main.js');
    const running = spawn(process.execPath, [main, 'check', faulty, '--only', 'inputs.tsx'], {
      cwd: home,
      env: { ...process.env, INIT_CWD: home },
    });
    // The first input is done: others are on their pages.
    await once(running.stdout, 'data');
    running.kill('SIGTERM');
    expect(await once(running, 'exit')).toEqual([143, null]);
  });

  it('draws an input under the mark that its look asks for, and says of a module that fails as it is loaded that it does', () => {
    const [marked, broken] = [...plantedIn('looks.tsx'), ...plantedIn('not-loaded.tsx')] as [Checked, Checked];
    expect(failedIn([marked])).toEqual({ UnderAMark: [] });
    expect(marked.adapter.wrappers).toEqual([{ component: '#div', properties: { 'data-tide': 'light' } }]);
    expect(new Set(broken.sheet.verdicts.map(({ state, seen }) => `${state} ${seen}`))).toEqual(
      new Set(['fail It cannot be loaded: There is no harbour.']),
    );
  });

  it('finds the one fault of each faulty input, and no fault in the sound ones', () => {
    expect(status).toBe(1);
    const failed = failedIn(plantedIn('/inputs.tsx'));
    expect(failed).toMatchObject({
      Sound: [],
      SheetsBetween: [],
      NeedsTide: [],
      FirstValueOnly: ['late', 'empties', 'clears'],
      // The adapter tells on what is news.
      TellsTwice: [],
      ConstantId: ['twice'],
      ListensForEver: ['again'],
      ListensByASignal: [],
      KnowsTheWindow: [],
      Warns: ['silent'],
      Loops: [],
      Floods: [],
      TurnedByHand: [],
    });
    expect(adaptersIn('/inputs.tsx').get('TurnedByHand')?.value.later).toBe('anew');
    expect(failed['NeedsHarbour']).toContain('mounts');
    // One fault may be seen in several ways; these have to be among them.
    const seen = {
      ShowsNothing: ['right', 'refused', 'typed'],
      KeepsLeaving: ['leaves'],
      GivesFocusAway: ['focus', 'label'],
      FocusOnItsBox: ['focus', 'label'],
      RefusesWords: ['name', 'description', 'invalid', 'required'],
      OnlyOnce: ['strict'],
      EmptiesTheForm: ['native'],
      DrawsNothing: ['mounts', 'held', 'disabled'],
      OnInItsClassAlone: ['held'],
      HiddenFromReaders: ['name'],
      HiddenOnceEmptied: ['name'],
      HearsScriptsAlone: ['reports', 'right'],
      TellsPlaces: ['right'],
    };
    for (const [name, checks] of Object.entries(seen))
      expect({ name, failed: failed[name] }).toEqual({ name, failed: expect.arrayContaining(checks) as string[] });
  });
  it('finds quickly what elements say, and only fully what nobody sees or hears', () => {
    const names = ['Sound', 'ConstantId', 'Warns', 'DrawsNothing', 'OnInItsClassAlone', 'HearsScriptsAlone'];
    const { stdout } = check(faulty, '--json', '--quick', '--only', names.join(','));
    const failed = failedIn(JSON.parse(stdout) as Checked[]);
    expect(failed).toMatchObject({ Sound: [], ConstantId: ['twice'], Warns: ['silent'] });
    // Each of these fails above, in the depth that drives the browser from outside.
    expect(failed).toMatchObject({ DrawsNothing: [], OnInItsClassAlone: [], HearsScriptsAlone: [] });
  });
  it('draws a line around what says in ARIA alone that it is invalid', () => {
    const [checked] = plantedIn('#InvalidUnseen');
    expect(checked?.adapter.invalid).toBeUndefined();
    expect(checked?.findings.map(({ says }) => says)).toContain('“error” shows nothing; its box does.');
    expect(failedIn(plantedIn('#InvalidUnseen'))).toEqual({ InvalidUnseen: [] });
    expect(checked?.sheet).toMatchObject({ depth: 'full', browser: expect.stringMatching(/^Chromium \d+/) as string });
  });
  it('finds how inputs speak that hide it, also of a module that waits as it is loaded', () => {
    const found = adaptersIn('hidden.tsx');
    expect(found.get('Stars')?.gesture?.steps).toMatchObject([{ do: 'press', on: { role: '<span>' } }]);
    expect(found.get('Berth')?.value.property).toBe('selected');
    expect(found.get('Paint')?.gesture?.steps).toMatchObject([{ do: 'press' }, { do: 'draw' }]);
    expect(found.get('Pale')?.wrappers).toEqual([
      {
        component: expect.stringMatching(/#SeaProvider$/) as string,
        imports: { theme: expect.stringMatching(/#lightTheme$/) as string },
      },
    ]);
    expect(found.get('Ports')?.choices).toMatchObject({ property: 'options', takes: 'item' });
    expect(found.get('Ports')?.samples).toEqual(['ALD', 'BRE']);
    expect(found.get('Numbered')?.ownIds).toEqual({ property: 'uid' });
    expect(found.get('Hulled')).toMatchObject({ message: { property: 'error' } });
    expect(found.get('Tides')?.gesture?.steps).toMatchObject([{ do: 'press' }]);
    expect(found.get('Handles')?.value).toMatchObject({ property: 'value', empty: [0] });
    expect(found.get('Quay')?.choices).toEqual({ tag: 'option', value: 'value' });
    expect(found.get('Hatch')?.change).toMatchObject({ report: 'onChange', tells: 'press' });
    expect(found.get('Tack')?.value).not.toHaveProperty('empty');
    expect(found.get('Slate')?.real).toEqual({
      selector: expect.stringContaining('contenteditable') as string,
    });
    expect(found.get('Beacon')?.value).toMatchObject({ property: 'isChecked', empty: false });
    expect(found.get('Beacon')).not.toHaveProperty('describedBy');
    expect(found.get('Course')?.change.path).toBe('/0/target/value');
    const sound = {
      Slate: [],
      Beacon: [],
      Course: [],
      Tack: [],
      Handles: [],
      Hatch: [],
      Quay: [],
      Berth: [],
      Paint: [],
      Pale: [],
      Ports: [],
      Numbered: [],
      Hulled: [],
      Tides: [],
      Waits: [],
    };
    expect(failedIn(plantedIn('hidden.tsx', 'waits.tsx'))).toMatchObject(sound);
  });
  it('gives what is asked for, and leaves what is complained of', () => {
    const found = adaptersIn('wants.tsx');
    const adapterOf = (name: string): AdapterDescription | undefined => found.get(name);
    expect(adapterOf('Cleat')?.ownIds).toEqual({ property: 'id' });
    expect(adapterOf('Fender')).not.toHaveProperty('required');
    expect(adapterOf('Moorings')).toMatchObject({
      value: { property: 'selectedKeys', empty: [] },
      constants: { selectionMode: 'single' },
    });
    expect(adapterOf('Anchors')?.value.kind).toBe('set');
    expect(adapterOf('Knots')?.value.kind).toBe('number');
    expect(adapterOf('Hawser')).not.toHaveProperty('id');
    expect(adapterOf('Davit')).toMatchObject({ id: { property: 'id' }, label: { property: 'label' } });
    expect(adapterOf('Keel')?.value).toMatchObject({ property: 'defaultValue', later: 'anew' });
    expect(adapterOf('Mast')).toMatchObject({ inside: [{ at: 'drawBox', given: true }] });
    expect(adapterOf('Capstan')?.constants).toEqual({ selectable: true });
    expect(adapterOf('Stay')).toMatchObject({
      labelledBy: { property: 'aria-labelledby' },
      real: { selector: expect.any(String) as string },
    });
    expect(adapterOf('Windlass')).toMatchObject({ widget: { begin: 'init' }, change: { refused: 'anew' } });
    expect(adapterOf('Sounder')).toMatchObject({
      change: { report: 'onChange', path: '/0', asks: 'getText' },
      widget: { reports: 'methods', update: 'setText' },
    });
    expect(adapterOf('Telegraph')?.widget).toMatchObject({ reports: 'options', startsEmpty: true });
    expect(adapterOf('Bollard')).toMatchObject({ widget: { leavesTraces: true } });
    expect(adapterOf('Bollard')).not.toHaveProperty('constants');
    expect(adapterOf('Bilge')).not.toHaveProperty('invalid');
    expect(adapterOf('Almanac')?.value.kind).toBe('filled text');
    expect(adapterOf('Pennant')?.gesture?.steps).toMatchObject([{ do: 'press' }]);
    expect(adapterOf('Rudders')).toMatchObject({ ownIds: { property: 'name' } });
    expect(adapterOf('Chest')?.value).toMatchObject({ property: 'files', later: 'files' });
    expect(adapterOf('Lashing')?.gesture?.steps).toMatchObject([{ do: 'type' }, { do: 'press' }]);
    expect(adapterOf('Bulwark')).toMatchObject({ ownIds: { property: 'id' } });
    expect(adapterOf('Bulwark')).not.toHaveProperty('describedBy');
    expect(adapterOf('Halyard')?.change.report).toBe('onValueChange');
    expect(adapterOf('Crate')?.change).toMatchObject({ report: 'onChange', path: '/1/files' });
    expect(failedIn(plantedIn('wants.tsx'))).toEqual({
      Cleat: [],
      Fender: [],
      Moorings: [],
      Anchors: [],
      Bulwark: [],
      Knots: [],
      Hawser: [],
      Chest: [],
      Crate: [],
      Davit: [],
      Halyard: [],
      Lashing: [],
      Rudders: [],
      Mast: [],
      Keel: [],
      Capstan: [],
      Stay: [],
      Windlass: [],
      Sounder: [],
      Telegraph: [],
      Bollard: [],
      Almanac: [],
      Bilge: [],
      Pennant: [],
    });
  });
  it('finds values, texts and words of a kind that nothing declares', () => {
    const found = adaptersIn('wants-values.tsx');
    expect(found.get('Logbook')?.gesture?.steps).toMatchObject([{ do: 'type', text: '2026/10/12' }]);
    expect(found.get('Tally')?.gesture?.steps).toMatchObject([{ do: 'press' }]);
    expect(found.get('Crew')?.choices).toMatchObject({ property: 'items', takes: 'item' });
    expect(found.get('Soundings')?.constants).toEqual({ mask: '0000' });
    expect(found.get('Anchorage')?.choices).toMatchObject({ property: 'options', takes: 'words' });
    expect(found.get('Anchorage')?.samples).toEqual(['ALD', 'BRE']);
    const failed = failedIn(plantedIn('wants-values.tsx'));
    expect(failed).toEqual({ Anchorage: [], Bosun: [], Crew: [], Logbook: [], Soundings: [], Tally: [] });
  });
  it('types dates where dates are meant, and goes on where something new is complained of', () => {
    const found = adaptersIn('wants-dates.tsx');
    expect(found.get('Voyage')?.value).not.toHaveProperty('start');
    expect(found.get('Voyage')?.gesture?.steps).toMatchObject([{ text: '2026-10-12' }, { text: '2026-10-14' }, {}]);
    expect(found.get('Chronometer')?.gesture?.steps).toMatchObject([{ do: 'type', text: '12:30' }]);
    expect(failedIn(plantedIn('wants-dates.tsx'))).toEqual({ Voyage: [], Chronometer: [] });
  });
  it('puts inputs together of their parts, and marks what is on', () => {
    const found = adaptersIn('parts.tsx');
    const inside = (name: string): unknown => found.get(name)?.inside;
    const part = (name: string, more: object): object => ({ component: `./src/parts.tsx#${name}`, ...more });
    expect(inside('WatchRoot')).toEqual([
      part('WatchTrigger', { inside: [{ words: 'None', of: 'chosen' }] }),
      part('WatchPopup', { inside: [part('WatchItem', { inside: [{ words: '', of: 'choice' }] })] }),
    ]);
    expect(inside('Lamp')).toEqual([
      { words: '■', when: 'chosen' },
      { words: '□', when: 'not chosen' },
    ]);
    expect(inside('DayDate')).toEqual([part('DayInput', { inside: [part('DaySegment', { given: 'segment' })] })]);
    expect(failedIn(plantedIn('parts.tsx'))).toEqual({ WatchRoot: [], Lamp: [], DayDate: [], ShiftRoot: [] });
  });
  it('has what a server cannot draw stand in the browser alone', () => {
    const drafts = plantedIn('Window');
    expect(drafts.map(({ adapter }) => adapter.onServer)).toEqual(['nothing', 'nothing']);
    expect(failedIn(drafts)).toEqual({ KnowsTheWindow: [], AsksTheWindow: [] });
  });
  it('takes the words that an input draws itself, and finds those that it does not draw or link', () => {
    const { stdout } = check(`${faulty}/kit.json`, '--project', faulty, '--json');
    expect(failedIn(JSON.parse(stdout) as Checked[])).toEqual({
      'draws-its-words': [],
      'label-leads-nowhere': ['label', 'name'],
      'label-is-not-drawn': ['label', 'name'],
      'below-is-not-linked': ['description'],
      'draws-by-lot': ['server'],
      'asks-the-window': ['server'],
      'asks-in-a-browser-alone': [],
    });
  });
  it('passes every adapter of the demo kit', () => {
    const { status, stdout } = check('demo/kit.json');
    expect(stdout).toMatch(/^(\d+) of \1 pass the whole contract\.$/m);
    expect(status).toBe(0);
  });
  it('says what is wrong with what it was given', () => {
    expect(check('nowhere.json')).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('There is no') as string,
    });
    expect(check('package.json').stderr).toContain('is no kit');
    expect(check('demo/kit.json', '--only', 'day-picker,dya-picker')).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('“dya-picker”') as string,
    });
  });
});
