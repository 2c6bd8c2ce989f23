/** The time of one call in nanoseconds for several rivals, taken in turns so that the machine's moods meet all of them. */
export function compare(rivals, { rounds = 9, budget = 60 } = {}) {
  const names = Object.keys(rivals);
  const counts = Object.fromEntries(names.map((name) => [name, calibrate(rivals[name], budget)]));
  const times = Object.fromEntries(names.map((name) => [name, []]));
  for (let round = 0; round < rounds; round++) {
    for (const name of names) times[name].push(time(rivals[name], counts[name]));
  }
  return Object.fromEntries(names.map((name) => [name, median(times[name])]));
}

function time(run, count) {
  const start = process.hrtime.bigint();
  let used = 0;
  for (let i = 0; i < count; i++) if (run()) used++;
  const took = Number(process.hrtime.bigint() - start);
  // The results are looked at, so that no call can be left out as unused.
  if (used > count) throw new Error('impossible');
  return took / count;
}
function calibrate(run, budget) {
  let count = 1;
  while (time(run, count) * count < budget * 1e6 && count < 1e7) count *= 2;
  return count;
}
export function median(values) {
  return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
}
export const ratio = (a, b) => `${(a / b).toFixed(2)}×`;
export const nanoseconds = (value) =>
  value < 1e4
    ? `${value.toFixed(0)} ns`
    : value < 1e7
      ? `${(value / 1e3).toFixed(0)} µs`
      : `${(value / 1e6).toFixed(0)} ms`;
export function table(head, rows) {
  const all = [head, ...rows];
  const widths = head.map((_, i) => Math.max(...all.map((row) => String(row[i]).length)));
  const line = (row) => `| ${row.map((cell, i) => String(cell).padEnd(widths[i])).join(' | ')} |`;
  return [line(head), `| ${widths.map((width) => '-'.repeat(width)).join(' | ')} |`, ...rows.map(line)].join('\n');
}
