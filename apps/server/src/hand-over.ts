/** The hand-over into the opened project: compared first, then written. The command line does both, in a process of its own. */
import express, { Router } from 'express';
import { execFile } from 'node:child_process';
import { existsSync, mkdtempSync, realpathSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, relative, resolve, sep } from 'node:path';
import { z } from 'zod';
import { Refusal } from './problem.js';

const request = z.object({
  /** Below the project's folder. */
  folder: z.string().min(1).max(400),
  kit: z.record(z.string(), z.unknown()),
  write: z.boolean().default(false),
});

export function handOverRouter(home: string, project: () => string): Router {
  const router = Router();
  router.post('/hand-over', express.json({ limit: '20mb' }), async ({ body }, response) => {
    const asked = request.safeParse(body);
    if (!asked.success) throw new Refusal(422, 'Nothing to hand over', 'Send a kit, and the folder that it goes to.');
    const { folder, kit, write } = asked.data;
    const target = folderIn(project(), folder);
    response.type('json').send(await generate(home, kit, target, write));
  });
  return router;
}

/** @throws {Refusal} where the folder is not one below the project, also after links are followed. */
function folderIn(project: string, folder: string): string {
  const target = resolve(project, folder);
  let there = target;
  while (!existsSync(there)) there = dirname(there);
  const [root, real] = [realpathSync(project), realpathSync(there)];
  const way = relative(root, join(real, relative(there, target)));
  const parts = way.split(sep);
  if (way === '' || parts[0] === '..' || resolve(root, way) === way)
    throw new Refusal(422, 'No folder of the project', `“${folder}” is no folder below the opened project.`);
  if (parts.some((part) => part === 'node_modules' || part.startsWith('.')))
    throw new Refusal(422, 'No place for source', `“${folder}” is not for source of one’s own.`);
  return target;
}

function generate(home: string, kit: unknown, target: string, isWritten: boolean): Promise<string> {
  const stage = mkdtempSync(join(tmpdir(), 'poietra-hand-over-'));
  const file = join(stage, 'kit.json');
  writeFileSync(file, JSON.stringify(kit));
  const main = join(home, 'packages/cli/dist/main.js');
  const how = ['generate', file, '--out', target, '--json', ...(isWritten ? [] : ['--check'])];
  return new Promise((done, failed) => {
    execFile(
      process.execPath,
      [main, ...how],
      { timeout: 120_000, maxBuffer: 100_000_000 },
      (error, stdout, stderr) => {
        rmSync(stage, { recursive: true, force: true });
        // Status 1 says that something differs, or is in conflict.
        if (!error || error.code === 1) done(stdout);
        else failed(new Refusal(422, 'It cannot be handed over', stderr.trim() || 'It took longer than two minutes.'));
      },
    );
  });
}
