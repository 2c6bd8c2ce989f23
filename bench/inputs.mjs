/**
 * How the drafts fare on packages that the rules were not grown on: `npm run bench -- inputs [TEXT] [--drafts] [--quick] [--hunt] [--later]`. The packages
 * are installed beside, not by `npm start`. Two halves by the package's name: rules are tuned on the first, and both are
 * told; --later takes the packages that were looked at last. What should be found, and how, stands in `inputs/truth.json`; with --drafts only that is compared, which takes two
 * minutes. With --quick the same is proved quickly, too, and what passes quickly and not in full is named. With --hunt
 * what passed is handed over and worked as by a person (`hunt.mjs`), and what is otherwise than it should be is printed.
 */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { cpSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { hunt } from './hunt.mjs';
import { table } from './measure.mjs';

const home = join(import.meta.dirname, '..');
const given = process.argv.slice(3);
const set = given.includes('--later') ? 'inputs-later' : 'inputs';
const folder = join(home, `.cache/bench-${set}`);
const isHunt = given.includes('--hunt');
const isQuick = given.includes('--quick');
const isDrafts = given.includes('--drafts');
const only = given.find((one) => !one.startsWith('--'));

function run(command, args, options = {}) {
  const { status, stdout } = spawnSync(command, args, {
    cwd: home,
    encoding: 'utf8',
    maxBuffer: 1e9,
    stdio: ['ignore', 'pipe', 'inherit'],
    ...options,
  });
  if (status === null) throw new Error(`${command} did not come to an end.`);
  return stdout;
}

const half = (pkg) => (createHash('sha256').update(pkg).digest()[0] % 2 === 0 ? 'first' : 'second');
const percent = (part, whole) => (whole === 0 ? '–' : `${Math.round((100 * part) / whole)} %`);

const isWhole = ({ verdicts }) => verdicts.every(({ state }) => state !== 'fail' && state !== 'open');

async function measureInputs() {
  mkdirSync(folder, { recursive: true });
  cpSync(join(home, `bench/${set}/package.json`), join(folder, 'package.json'));
  run('npm', ['install', '--no-audit', '--no-fund', '--legacy-peer-deps', '--ignore-scripts'], { cwd: folder });
  // Of those looked at last, nobody has written down yet what should be found.
  if (set === 'inputs') compareDrafts();
  if (isDrafts) return;
  const began = Date.now();
  const named = only === undefined ? [] : ['--only', only];
  const checkAll = (...more) =>
    JSON.parse(run('node', ['scripts/poietra.mjs', 'check', folder, '--json', '--wanted', '0', ...named, ...more]));
  const checked = checkAll();
  // For those who look after the single inputs.
  writeFileSync(join(folder, 'checked.json'), JSON.stringify(checked, undefined, 1));
  const seconds = (Date.now() - began) / 1000;
  const packages = new Map();
  for (const { name, sheet } of checked) {
    const pkg = name.slice(0, name.indexOf('#'));
    if (pkg === 'native') continue;
    const row = packages.get(pkg) ?? { drafted: 0, whole: 0 };
    row.drafted++;
    if (isWhole(sheet)) row.whole++;
    packages.set(pkg, row);
  }
  const rows = [...packages].sort(([a], [b]) => a.localeCompare(b));
  const sum = (wanted) => {
    const own = rows.filter(([pkg]) => wanted === 'all' || half(pkg) === wanted);
    const drafted = own.reduce((count, [, row]) => count + row.drafted, 0);
    const whole = own.reduce((count, [, row]) => count + row.whole, 0);
    return [wanted, '', drafted, whole, drafted === 0 ? '–' : `${Math.round((100 * whole) / drafted)} %`];
  };
  console.log(
    table(
      ['package', 'half', 'drafted', 'contract passed untouched', ''],
      [
        ...rows.map(([pkg, { drafted, whole }]) => [
          pkg,
          half(pkg),
          drafted,
          whole,
          `${Math.round((100 * whole) / drafted)} %`,
        ]),
        sum('first'),
        sum('second'),
        sum('all'),
      ],
    ),
  );
  const failed = new Map();
  for (const { sheet } of checked)
    for (const { check, state } of sheet.verdicts)
      if (state === 'fail') failed.set(check, (failed.get(check) ?? 0) + 1);
  console.log(
    table(
      ['check', 'failed'],
      [...failed].sort(([, a], [, b]) => b - a),
    ),
  );
  if (isQuick) {
    const whole = new Set(checked.flatMap(({ name, sheet }) => (isWhole(sheet) ? [name] : [])));
    const quickly = checkAll('--quick').filter(({ sheet }) => isWhole(sheet));
    const falsely = quickly.filter(({ name }) => !whole.has(name));
    console.log(`${quickly.length} pass quickly; of these ${falsely.length} do not in full:`);
    for (const { name } of falsely) console.log(`  ${name}`);
  }
  if (isHunt) await hunt(folder, checked);
  console.log(`${seconds.toFixed(0)} s, ${(seconds / Math.max(1, checked.length)).toFixed(1)} s an input.`);
}

/** Found, wrongly found and rightly drafted, as declared: nothing was tried. */
function compareDrafts() {
  const { inputs: truth, maybe } = JSON.parse(readFileSync(join(home, 'bench/inputs/truth.json'), 'utf8'));
  const { inputs: inspected } = JSON.parse(run('node', ['scripts/poietra.mjs', 'inspect', folder, '--json']));
  // A part is named by its root or with a point: `SliderRoot`, `Slider.Root`.
  const plain = (name) => name.replaceAll('.', '');
  const counts = new Map();
  const countOf = (pkg) =>
    counts.get(pkg) ?? counts.set(pkg, { wanted: 0, found: 0, wrongly: [], right: 0, amiss: [] }).get(pkg);
  for (const [pkg, wanted] of Object.entries(truth)) {
    const count = countOf(pkg);
    count.wanted = Object.keys(wanted).length;
    const own = inspected.filter(({ input }) => input.package === pkg && input.family !== 'native');
    const nameOf = ({ id }) => id.slice(id.indexOf('#') + 1);
    const drafts = new Map(own.map(({ input, adapter }) => [plain(nameOf(input)), adapter]));
    for (const [name, says] of Object.entries(wanted)) {
      const draft = drafts.get(plain(name));
      if (draft) count.found++;
      if (draft && isAsSaid(draft, says)) count.right++;
      else count.amiss.push(draft ? name : `${name} (not found)`);
    }
    const known = new Set([...Object.keys(wanted), ...(maybe[pkg] ?? [])].map(plain));
    count.wrongly = [...drafts.keys()].filter((name) => !known.has(name));
  }
  const row = (name, of) => {
    const sum = (member) => of.reduce((total, one) => total + one[member], 0);
    const [wanted, found, right] = [sum('wanted'), sum('found'), sum('right')];
    const wrongly = of.reduce((total, one) => total + one.wrongly.length, 0);
    return [name, wanted, percent(found, wanted), percent(found, found + wrongly), percent(right, wanted)];
  };
  const all = [...counts];
  const ofHalf = (wanted) => all.filter(([pkg]) => wanted === 'all' || half(pkg) === wanted).map(([, count]) => count);
  console.log(
    table(
      ['half', 'inputs', 'found', 'of what is found, inputs', 'declared draft right, of all'],
      ['first', 'second', 'all'].map((one) => row(one, ofHalf(one))),
    ),
  );
  for (const [pkg, { wrongly, amiss }] of all)
    if (wrongly.length + amiss.length > 0)
      console.log(`${pkg}: ${[...amiss, ...wrongly.map((name) => `${name} (no input)`)].join(', ')}`);
}

/** Whether a draft says what stands in the truth table: value, report and place, each of several that are as good. */
function isAsSaid({ value, change }, says) {
  const [property, report, path] = says.split(' ').map((one) => one.split('|'));
  return (
    property.includes(value.property) &&
    report.includes(change.report) &&
    (path.includes('*') || path.includes(change.path))
  );
}

await measureInputs();
