import { isKept, reasonOf } from '@poietra/core';
import { ProjectError } from '@poietra/inputs';
import { Command } from 'commander';
import { spawn } from 'node:child_process';
import { join, resolve } from 'node:path';
import { follow, generate, GenerateError, ownSources, type Own } from './generate.js';
import { check, CheckError, inspections, reportOf } from './check.js';

/** Of the repository, or of the installed package, which has the same folders. */
const home = join(import.meta.dirname, '../../..');
const program = new Command('poietra').description('Poietra: the workbench on a project, and its commands for CI.');

program
  .command('open', { isDefault: true })
  .description('serve the workbench on a project folder; prints the address')
  .argument('[folder]', 'the project folder, with its packages installed', '.')
  .action((folder: string) => {
    const project = resolve(process.env['INIT_CWD'] ?? '.', folder);
    const data = process.env['POIETRA_DATA'] ?? join(project, 'node_modules/.cache/poietra');
    const server = spawn(process.execPath, [join(home, 'apps/server/dist/main.js'), '--project', project], {
      stdio: 'inherit',
      env: { POIETRA_QUIET: '1', ...process.env, POIETRA_DATA: data },
    });
    for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => server.kill(signal));
    server.on('exit', (code) => process.exit(code ?? 0));
  });

program
  .command('inspect')
  .description('list every input of a project folder, with what it declares, its findings and its drafted adapter')
  .argument('<folder>', 'the project folder, with its packages installed')
  .option('--json', 'print JSON')
  .action((folder: string, { json }: { json?: boolean }) => {
    const inspection = inspections.read(resolve(process.env['INIT_CWD'] ?? '.', folder));
    if (json) {
      console.log(JSON.stringify(inspection, undefined, 2));
      return;
    }
    for (const { input, adapter } of inspection.inputs) {
      console.log(
        `${input.id.padEnd(48)} ${input.family.padEnd(10)} ${adapter ? `${adapter.value.property} → ${adapter.change.report} ${adapter.change.path}` : 'no pair found'}`,
      );
    }
    if (inspection.passed.length > 0) {
      console.log(`\nPassed over, though each has something of an input:`);
      for (const { input, reason } of inspection.passed) console.log(`${input.id.padEnd(48)} ${reason}`);
    }
    if (inspection.missing.length > 0) console.log(`Not installed: ${inspection.missing.join(', ')}`);
    for (const sentence of inspection.unread) console.log(sentence);
    if (inspection.without.length > 0)
      console.log(`Nothing of an input was found in ${inspection.without.join(', ')}.`);
  });

program
  .command('check')
  .description(
    'put every adapter of a kit, or every untouched draft of a project folder, to the contract in a real browser',
  )
  .argument('<kit-or-folder>', 'a kit file, or a project folder')
  .option('--project <folder>', 'the project folder of a kit; otherwise the folder “project” beside it')
  .option('--only <texts>', 'only those whose name contains one of these, separated by commas')
  .option('--wanted <percent>', 'how many of a hundred have to pass whole', '100')
  .option('--brief', 'print one line for each, without what failed')
  .option('--quick', 'as in the workbench’s frames: by events of a script, without pixels and screen reader')
  .option('--json', 'print JSON')
  .action(
    async (
      what: string,
      options: { project?: string; only?: string; wanted: string; brief?: boolean; quick?: boolean; json?: boolean },
    ) => {
      const from = process.env['INIT_CWD'] ?? '.';
      const done = await check(
        resolve(from, what),
        {
          project: options.project === undefined ? undefined : resolve(from, options.project),
          only: options.only?.split(','),
          depth: options.quick ? 'quick' : 'full',
        },
        (checked, count, total) => {
          const at = `[${count}/${total}]`;
          // What programs read is whole at the end; a person may want to see that it goes on.
          if (options.json) console.error(`${at} ${reportOf(checked, true)}`);
          else console.log(`${at} ${reportOf(checked, options.brief)}`);
        },
      );
      const whole = done.filter(({ sheet }) => isKept(sheet.verdicts)).length;
      if (options.json) console.log(JSON.stringify(done, undefined, 2));
      else console.log(`${whole} of ${done.length} pass the whole contract.`);
      if ((100 * whole) / done.length < Number(options.wanted)) process.exitCode = 1;
    },
  );

program
  .command('generate')
  .description('write the hand-over of a kit as source; what was changed by hand is merged with what is new')
  .argument('<kit>', 'a kit file')
  .requiredOption('--out <folder>', 'where the source goes')
  .option(
    '--own',
    'stand on its own: what is used of the libraries comes along as source, and no package of ours is imported',
  )
  .option('--check', 'write nothing; print what differs, and end with status 1 where something does')
  .option('--json', 'print what came of each file as JSON')
  .option('--watch', 'go on, and write again whenever the kit file changes')
  .action(
    async (kit: string, options: { out: string; own?: boolean; check?: boolean; json?: boolean; watch?: boolean }) => {
      const from = process.env['INIT_CWD'] ?? '.';
      const [file, folder] = [resolve(from, kit), resolve(from, options.out)];
      const own: Own = ({ standsAlone }) => ((options.own ?? standsAlone) ? ownSources(home) : undefined);
      const run = async (): Promise<void> => {
        const isGood = await generate(file, folder, {
          check: options.check ?? false,
          asJson: options.json ?? false,
          own,
          say: (text) => console.log(text),
        });
        process.exitCode = isGood ? 0 : 1;
      };
      if (!options.watch) return run();
      // A kit that is broken for a moment is told, and waited for.
      await follow(file, run, (error) => console.error(reasonOf(error)));
      console.log(`Following ${kit}; Ctrl C ends it.`);
    },
  );

try {
  await program.parseAsync();
} catch (error) {
  if (!(error instanceof ProjectError) && !(error instanceof CheckError) && !(error instanceof GenerateError))
    throw error;
  console.error(error.message);
  process.exitCode = 2;
}
