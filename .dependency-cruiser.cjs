/**
 * The arrows of the house: who may know whom. In the core they go one way, json ← schema ← words ← form ← plan ← handover;
 * codec and adapter need only json. Every folder of the core has one door, its index.ts.
 */
const rooms = [
  'json',
  'schema',
  'codec',
  'adapter',
  'expression',
  'words',
  'form',
  'plan',
  'prepare',
  'kit',
  'skin',
  'handover',
  'testing',
  'written',
];
const mayKnow = {
  json: [],
  schema: ['json'],
  codec: ['json'],
  adapter: ['json'],
  expression: ['json'],
  words: ['json', 'schema', 'codec'],
  form: ['json', 'schema', 'codec', 'expression', 'words'],
  plan: ['json', 'schema', 'codec', 'adapter', 'expression', 'words', 'form'],
  // What is fetched for a form, each part on its own.
  prepare: ['json', 'schema', 'codec', 'expression', 'form', 'plan'],
  kit: ['json', 'schema', 'codec', 'adapter', 'plan'],
  skin: ['json', 'adapter', 'kit'],
  testing: ['json', 'codec', 'adapter', 'form'],
  // What forms that are written out use, each part on its own.
  written: ['json', 'schema', 'codec', 'expression', 'words', 'form', 'plan'],
  handover: ['json', 'schema', 'codec', 'adapter', 'expression', 'words', 'form', 'plan', 'kit'],
};
const room = (name) => `^packages/core/src/${name}/`;

module.exports = {
  forbidden: [
    {
      name: 'no-circle',
      severity: 'error',
      from: { path: '^(packages|apps)/' },
      to: { circular: true },
    },
    ...rooms.map((name) => ({
      name: `core-${name}-arrows`,
      severity: 'error',
      from: { path: room(name) },
      to: { path: '^packages/core/src/', pathNot: [room(name), ...mayKnow[name].map(room)] },
    })),
    ...rooms.map((name) => ({
      name: `core-${name}-has-one-door`,
      severity: 'error',
      // The doors for forms that are written out and for those that are prepared hand on single parts, so that a bundler
      // takes no others.
      // The hand-over, which writes expressions out, needs the language at once that all others fetch.
      from: {
        path: '^packages/core/src/',
        pathNot: [room(name), room('written'), room('prepare'), ...(name === 'expression' ? [room('handover')] : [])],
      },
      to: { path: room(name), pathNot: `${room(name)}index\\.ts$` },
    })),
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^packages/core/src' },
      to: { path: '^(packages/(?!core)|apps)|node_modules/(react|react-dom|express)/' },
    },
    {
      name: 'react-needs-core-only',
      severity: 'error',
      from: { path: '^packages/react/src' },
      to: { path: '^(packages/(?!core|react)|apps)' },
    },
    {
      name: 'stand-needs-core-and-react',
      severity: 'error',
      from: { path: '^packages/stand/src' },
      to: { path: '^(packages/(?!core|react|stand)|apps)' },
    },
    { name: 'packages-need-no-app', severity: 'error', from: { path: '^packages/' }, to: { path: '^apps/' } },
    {
      name: 'apps-keep-apart',
      severity: 'error',
      from: { path: '^apps/workbench' },
      to: { path: '^(apps/server|packages/(inputs|cli))' },
    },
    {
      name: 'server-draws-nothing',
      severity: 'error',
      from: { path: '^apps/server' },
      to: { path: '^(apps/workbench|packages/(react|stand|cli))' },
    },
    {
      name: 'libraries-by-their-door',
      severity: 'error',
      from: { path: '^apps/' },
      to: {
        path: '^packages/[^/]+/src/',
        pathNot: '^packages/[^/]+/src/((handover/)?index\\.ts|say\\.ts|skin\\.css(\\.d\\.ts)?)$',
      },
    },
    {
      name: 'found',
      severity: 'error',
      from: { path: '^(packages|apps)/' },
      to: { couldNotResolve: true, pathNot: '\\.css$|^virtual:' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(/dist/|/test/)' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['source', 'import', 'require', 'node', 'default', 'types'],
    },
  },
};
