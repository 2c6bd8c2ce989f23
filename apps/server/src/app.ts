import express, { type Express } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { existsSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { pino } from 'pino';
import { pinoHttp } from 'pino-http';
import { isBuiltIn, type BundledInput } from '@poietra/inputs';
import { adapterSchema, componentsToTry, type AdapterDescription } from '@poietra/core';
import { z } from 'zod';
import { companyRouter, echo } from './company/index.js';
import type { CompanyRecord } from './company/records.js';
import { codeRouter, Codes } from './codes.js';
import type { Config } from './config.js';
import { knowsSecret, secretHeader, ownHost, ownPages, sameUser } from './guard.js';
import { answerRouter } from './answers.js';
import { documentRouter } from './documents.js';
import { handOverRouter } from './hand-over.js';
import { kitFileRouter } from './kit-file.js';
import { PlainPages, plainRouter } from './plain.js';
import { problems, Refusal } from './problem.js';
import { Permit } from './permit.js';
import { Prover } from './prove.js';
import type { OpenProject } from './project.js';
import { Projects } from './projects.js';
import { standRouter } from './stand.js';
import { typesRouter } from './types.js';

const codecRequest = z.object({ source: z.string() });
const openRequest = z.object({ folder: z.string().min(1).max(4000), again: z.boolean().optional() });

const names = z.array(z.string().max(500)).max(200);
const renderRequest = z.object({
  what: z.enum(['input', 'form']),
  inputs: names,
  wrappers: names.default([]),
  codecs: names.default([]),
  task: z.record(z.string(), z.unknown()),
});

/** @throws {Refusal} where the project does not have one of them. */
async function chosenInputs(project: OpenProject, ids: readonly string[]): Promise<BundledInput[]> {
  if (ids.length === 0) return [];
  const { inputs, passed } = await project.inspection();
  return ids.map((id) => {
    const found = [...inputs, ...passed].find(({ input }) => input.id === id);
    if (!found) throw new Refusal(404, 'No such input', `The project has no input “${id}”. Is its package installed?`);
    return found.input;
  });
}

const proveRequest = z.object({ adapter: adapterSchema, inputs: names, wrappers: names.default([]) });

const list = (query: unknown): string[] =>
  (Array.isArray(query) ? query : [query]).filter((one): one is string => typeof one === 'string');

/** Components that stand around or inside: found in the project's own files, or named as `package#Export`. */
async function wrappersOf(project: OpenProject, ids: readonly string[]): Promise<BundledInput[]> {
  if (ids.length === 0) return [];
  const { inputs } = await project.inspection();
  const own = new Set(inputs.flatMap(({ input }) => componentsToTry(input)));
  return ids.map((id) => {
    const at = id.lastIndexOf('#');
    if (own.has(id)) return { id, family: 'component', export: id.slice(at + 1), module: id.slice(0, at), css: [] };
    const wrapper = wrapperOf(id);
    // What stands around is drawn by the same sheets as the inputs of its package.
    const beside = inputs.find(({ input }) => input.package === packageNamed(wrapper.module));
    return { ...wrapper, css: beside?.input.css ?? [] };
  });
}

const packageNamed = (module: string): string =>
  module
    .split('/')
    .slice(0, module.startsWith('@') ? 2 : 1)
    .join('/');

/** A component by name, as wrappers are given: `package#export`, an element as `package/module#a-tag`. Names only, since it is written into a module. */
function wrapperOf(id: string): BundledInput {
  const [, module, exported] =
    /^((?:@[A-Za-z0-9][\w.-]*\/)?[A-Za-z0-9][\w.-]*(?:\/[A-Za-z0-9_-][\w.-]*)*)#([a-z][a-z0-9]*(?:-[a-z0-9]+)+|[A-Za-z_$][\w$]*(?:\.[A-Za-z_$][\w$]*)?)$/.exec(
      id,
    ) ?? [];
  if (module === undefined || exported === undefined || isBuiltIn(module))
    throw new Refusal(422, 'No such wrapper', `“${id}” names no component; write package#Export.`);
  if (exported.includes('-')) return { id, family: 'element', export: exported, tag: exported, module, css: [] };
  return { id, family: 'component', export: exported, module, css: [] };
}

/** What a project calls itself; else the name of its folder. */
function nameOf(project: string): string {
  try {
    const { name } = JSON.parse(readFileSync(join(project, 'package.json'), 'utf8')) as { name?: unknown };
    return typeof name === 'string' && name !== '' ? name : basename(project);
  } catch {
    return basename(project);
  }
}

export function makeApp(
  config: Config,
  prover = new Prover(),
  permit = new Permit(config.roots ?? [config.home, config.project]),
): Express {
  const app = express();
  const log = pino({ level: config.quiet ? 'warn' : 'info' });
  const projects = new Projects(config.home, config.project);
  // Read in the background from the start, not only when somebody asks.
  if (config.readAtOnce) void projects.now;
  const codes = new Codes(config.home);
  const plain = new PlainPages();
  const demo = join(config.home, 'demo');

  app.disable('x-powered-by');
  app.use(
    pinoHttp({
      logger: log,
      autoLogging: { ignore: ({ url = '' }) => url.startsWith('/assets/') },
      // Neither bodies nor headers nor what stands behind the question mark: cookies, tokens and values are nobody's.
      serializers: {
        req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({
          id,
          method,
          path: url.split('?')[0],
        }),
        res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
      },
    }),
  );
  app.use(ownHost(config.host), sameUser);
  app.use(
    helmet({
      // The stand's frames come from the same address without an origin of their own, so the page cannot have a process to itself.
      originAgentCluster: false,
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          'default-src': ["'none'"],
          'script-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'font-src': ["'self'", 'data:'],
          'connect-src': ["'self'"],
          'frame-src': ["'self'"],
          'worker-src': ["'self'"],
          'manifest-src': ["'self'"],
          'base-uri': ["'none'"],
          'form-action': ["'self'"],
          'frame-ancestors': ["'none'"],
        },
      },
    }),
  );
  app.use(rateLimit({ windowMs: 60_000, limit: 3000, standardHeaders: true, legacyHeaders: false }));

  // The frames come before the check for own pages: they have no origin, and nothing in here is worth asking for.
  app.use(
    '/stand',
    standRouter((key) => projects.bundle(key)),
    codeRouter(codes),
  );
  app.use('/plain', plainRouter(plain));
  app.use('/company/echo', echo);
  app.use(['/api', '/company'], ownPages);
  // The demo company plays a server of somebody else's, which an application of one's own may ask as well.
  app.use('/api', knowsSecret(config.secret));

  app.get('/api/project', (_request, response) => {
    const { project } = projects.now;
    const { state } = project;
    if (state.status === 'ready')
      response.json({
        status: 'ready',
        folder: project.folder,
        name: state.inspection.project,
        inputs: state.inspection.inputs,
        passed: state.inspection.passed,
        missing: state.inspection.missing,
        unread: state.inspection.unread,
        without: state.inspection.without,
      });
    else response.json(state);
  });
  app.post('/api/project', express.json({ limit: '10kb' }), async (request, response) => {
    const asked = openRequest.safeParse(request.body);
    if (!asked.success) throw new Refusal(422, 'No project folder', 'Say which folder, as “folder”.');
    await projects.open(asked.data.folder, permit, asked.data.again ?? false);
    response.status(204).end();
  });
  app.get('/api/stand', async ({ query }, response) => {
    const { project, bundler } = projects.now;
    const chosen = await chosenInputs(project, list(query['input']));
    const around = await wrappersOf(project, list(query['wrapper']));
    const purpose = query['for'] === 'prove' ? 'prove' : 'draw';
    const named = codes.named(list(query['codec']));
    response.json({ frame: `/stand/frame/${await bundler.open([...chosen, ...around], purpose, named)}` });
  });
  app.post('/api/codec', express.json({ limit: '200kb' }), (request, response) => {
    const asked = codecRequest.safeParse(request.body);
    if (!asked.success) throw new Refusal(422, 'No code', 'Send the code as “source”.');
    response.json({ key: codes.add(asked.data.source) });
  });
  app.post('/api/render', express.json({ limit: '5mb' }), async (request, response) => {
    const asked = renderRequest.safeParse(request.body);
    if (!asked.success) throw new Refusal(422, 'Nothing to draw', 'Say what is to be drawn, with which inputs.');
    const { what, inputs, wrappers, task } = asked.data;
    const { project } = projects.now;
    const chosen = [...(await chosenInputs(project, inputs)), ...(await wrappersOf(project, wrappers))];
    response.json(await projects.draw(what, chosen, codes.named(asked.data.codecs), task));
  });
  // Verdicts one a line as they are given, and in the end the browser; who goes away stops it.
  app.post('/api/prove', express.json({ limit: '1mb' }), async (request, response) => {
    const asked = proveRequest.safeParse(request.body);
    if (!asked.success) throw new Refusal(422, 'Nothing to prove', 'Send the adapter, with the inputs that it uses.');
    const { adapter, inputs, wrappers } = asked.data;
    const { project, bundler } = projects.now;
    const chosen = [...(await chosenInputs(project, inputs)), ...(await wrappersOf(project, wrappers))];
    const bundle = await projects.bundle(await bundler.open(chosen, 'prove'));
    if (!bundle) throw new Refusal(404, 'No such bundle');
    const gone = new AbortController();
    response.on('close', () => gone.abort());
    const tell = (line: object): void => {
      if (!gone.signal.aborted) response.write(`${JSON.stringify(line)}\n`);
    };
    response.type('application/x-ndjson');
    const browser = await prover.prove(
      bundle,
      adapter as unknown as AdapterDescription,
      (task) => projects.draw('input', chosen, {}, task),
      { home: config.home, tell, signal: gone.signal },
    );
    tell({ browser });
    response.end();
  });
  app.post('/api/plain', express.json({ limit: '5mb' }), async (request, response) => {
    const asked = renderRequest.extend({ title: z.string().max(200) }).safeParse(request.body);
    if (!asked.success) throw new Refusal(422, 'Nothing to draw', 'Say which form is to be drawn, with which inputs.');
    const { title, inputs, wrappers, task } = asked.data;
    const { project, bundler } = projects.now;
    const chosen = [...(await chosenInputs(project, inputs)), ...(await wrappersOf(project, wrappers))];
    const named = codes.named(asked.data.codecs);
    const drawn = await projects.draw('form', chosen, named, task);
    if ('failed' in drawn) throw new Refusal(422, 'The form could not be drawn on the server', drawn.failed);
    const style = await bundler.open(chosen, 'draw', named);
    response.json({ page: `/plain/${plain.add({ title, html: drawn.html, style })}` });
  });
  const folder = (): string => projects.now.project.folder;
  app.use(
    '/api',
    handOverRouter(config.home, folder),
    documentRouter(folder),
    answerRouter(),
    kitFileRouter(folder),
    typesRouter(config.home, folder),
  );
  // The libraries as source, for hand-overs that stand on their own.
  app.get('/api/own-sources', (_request, response) =>
    response.sendFile(join(config.home, 'packages/own/dist/sources.json')),
  );
  app.get(
    '/api/demo-kit',
    (_request, response) => void response.type('json').send(readFileSync(join(demo, 'kit.json'), 'utf8')),
  );
  // What a browser begins with on its first visit: the demo kit with the demo project, an empty one with one's own.
  app.get('/api/first-kit', (_request, response) => {
    if (config.project === join(demo, 'project'))
      response.type('json').send(readFileSync(join(demo, 'kit.json'), 'utf8'));
    else
      response.json({
        poietra: 1,
        name: nameOf(config.project),
        inputs: {},
        adapters: {},
        codecs: {},
        fields: {},
        groups: {},
        forms: {},
      });
  });
  app.use(
    '/company',
    companyRouter(
      config.data,
      JSON.parse(readFileSync(join(demo, 'company/bookings.json'), 'utf8')) as CompanyRecord[],
      (text) => log.warn(text),
    ),
  );
  app.use(['/api', '/company'], () => {
    throw new Refusal(404, 'No such address');
  });

  const built = join(config.home, 'apps/workbench/dist');
  app.use('/assets', express.static(join(built, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(built, { index: false }));
  app.get('/{*path}', (_request, response) => {
    const page = join(built, 'index.html');
    if (!existsSync(page)) throw new Refusal(503, 'The workbench is not built', 'Run “npm run build”.');
    const text = readFileSync(page, 'utf8').replace(
      '<head>',
      `<head><meta name="${secretHeader}" content="${config.secret}" />`,
    );
    response.set('Cache-Control', 'no-store').type('html').send(text);
  });
  app.use(problems);
  return app;
}
