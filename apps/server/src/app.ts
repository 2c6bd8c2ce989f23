import express, { type Express } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pino } from 'pino';
import { pinoHttp } from 'pino-http';
import { Bundler } from './bundle.js';
import { companyRouter } from './company/index.js';
import type { Booking } from './company/bookings.js';
import type { Config } from './config.js';
import { ownHost, ownPages } from './guard.js';
import { problems, Refusal } from './problem.js';
import { OpenProject } from './project.js';
import { standRouter } from './stand.js';

export function makeApp(config: Config): Express {
  const app = express();
  const log = pino({ level: config.quiet ? 'warn' : 'info' });
  const project = new OpenProject(
    config.project,
    join(config.home, '.cache/inputs'),
    join(config.home, 'apps/server/dist/inspect-worker.js'),
  );
  const bundler = new Bundler(config.home, config.project);
  const demo = join(config.home, 'demo');

  app.disable('x-powered-by');
  app.use(pinoHttp({ logger: log, autoLogging: { ignore: ({ url = '' }) => url.startsWith('/assets/') } }));
  app.use(ownHost(config.host));
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
  app.use('/stand', standRouter(bundler));
  app.use(['/api', '/company'], ownPages);

  app.get('/api/project', (_request, response) => {
    const { state } = project;
    if (state.status === 'ready')
      response.json({
        status: 'ready',
        name: state.inspection.project,
        inputs: state.inspection.inputs,
        missing: state.inspection.missing,
      });
    else response.json(state);
  });
  app.get('/api/stand', async ({ query }, response) => {
    const { inputs } = await project.inspection();
    const wanted = (Array.isArray(query['input']) ? query['input'] : [query['input']]).filter(
      (id) => typeof id === 'string',
    );
    const chosen = wanted.map((id) => {
      const found = inputs.find(({ input }) => input.id === id);
      if (!found)
        throw new Refusal(404, 'No such input', `The project has no input “${id}”. Is its package installed?`);
      return found.input;
    });
    response.json({ frame: `/stand/frame/${await bundler.open(chosen)}` });
  });
  app.get(
    '/api/demo-kit',
    (_request, response) => void response.type('json').send(readFileSync(join(demo, 'kit.json'), 'utf8')),
  );
  app.use(
    '/company',
    companyRouter(config.data, JSON.parse(readFileSync(join(demo, 'company/bookings.json'), 'utf8')) as Booking[]),
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
    response.set('Cache-Control', 'no-cache').type('html').send(readFileSync(page, 'utf8'));
  });
  app.use(problems);
  return app;
}
