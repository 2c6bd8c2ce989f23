/** An application of one package's inputs, a form each, handed over as source, built and served. */
import { mkdirSync, symlinkSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { handOver } from '@poietra/core/handover';
import { build, preview } from 'vite';

const home = join(import.meta.dirname, '../..');
export const label = 'Berth plan';
export const refusal = 'The harbour office refused it';
const choices = ['Aldervik', 'Brennholm', 'Torsund', 'Little Sule'].map((title) => ({
  const: title.slice(0, 3).toUpperCase(),
  title,
}));

/** An application of one package's inputs, a form each, built and served. */
export async function served(at, inputs) {
  for (const { path, text } of [...handOver(kitOf(inputs), { depth: 1 }), ...pageOf(inputs)]) {
    mkdirSync(dirname(join(at, path)), { recursive: true });
    writeFileSync(join(at, path), text);
  }
  const common = { root: at, configFile: false, logLevel: 'error' };
  mkdirSync(join(at, 'node_modules'), { recursive: true });
  symlinkSync(join(home, 'node_modules/@poietra'), join(at, 'node_modules/@poietra'));
  await build({
    ...common,
    resolve: { dedupe: ['react', 'react-dom'] },
    build: { target: 'es2022', chunkSizeWarningLimit: 1e5, minify: false, reportCompressedSize: false },
  });
  const server = await preview({ ...common, preview: { port: 0, host: '127.0.0.1' } });
  return { address: server.resolvedUrls.local[0], close: () => server.close() };
}

function kitOf(inputs) {
  const named = (of) => Object.fromEntries(inputs.map((input, i) => [`i${i}`, of(input, i)]));
  return {
    poietra: 1,
    name: 'hunt',
    inputs: Object.fromEntries(inputs.map(({ input }) => [input.id, input])),
    adapters: named(({ adapter }) => adapter),
    codecs: {},
    fields: named(({ adapter }, i) => ({ adapter: `i${i}`, codec: codecOf(adapter), label })),
    groups: {},
    forms: named(({ adapter }, i) => ({
      title: 'Berths',
      tell: 'submit',
      schema: {
        type: 'object',
        properties: {
          before: { type: 'string', title: 'Ship' },
          held: { ...taken(adapter), 'x-poietra': { field: `i${i}` } },
          after: { type: 'string', title: 'Captain' },
        },
      },
    })),
  };
}
export const sampleOf = ({ samples }) => samples?.[1];
const isDay = (sample) => sample?.$is === 'Date';
const codecOf = (adapter) => (isDay(sampleOf(adapter)) ? 'date' : 'same');
/** What its value is to be chosen from, where it is told that. */
export function taken(adapter) {
  if (!adapter.choices && !JSON.stringify(adapter.inside ?? '').includes('"of"')) return {};
  const isList = Array.isArray(sampleOf(adapter)) || ['list', 'set'].includes(adapter.value.kind);
  return isList ? { type: 'array', items: { oneOf: choices } } : { oneOf: choices };
}

function pageOf(inputs) {
  const forms = inputs.map(
    (_, i) =>
      `  async () => { const { openI${i}, I${i}Form } = await import('./forms/i${i}.js'); return [openI${i}, I${i}Form]; },`,
  );
  return [
    {
      path: 'index.html',
      text: '<!doctype html><html lang="en"><title>Berths</title><link rel="icon" href="data:," /><div id="desk" style="padding:40px"></div><script type="module" src="main.tsx"></script></html>',
    },
    {
      path: 'main.tsx',
      text: `import '@poietra/react/skin.css';
import { fromNotation, toNotation } from '@poietra/core';
import { createRoot } from 'react-dom/client';

const forms = [
${forms.join('\n')}
];
const [number, held, state] = decodeURIComponent(location.hash.slice(1)).split('|');
const [open, Form] = await forms[Number(number)]();
const form = open(held ? { held: JSON.parse(held) } : undefined, { disabled: state === 'disabled' });
const send = async (sent) => {
  window.sent = sent;
  return state === 'refused'
    ? { kind: 'refused', problems: [{ at: '/held', keyword: 'server', params: {}, message: ${JSON.stringify(refusal)} }] }
    : { kind: 'accepted', answer: {} };
};
window.held = () => toNotation(form.field('/held').sent);
// As a record that comes later: what is sent is text where the input holds an object.
window.write = (value) => form.load({ held: fromNotation(value) });
createRoot(document.getElementById('desk')).render(<Form form={form} send={send} />);
`,
    },
  ];
}
