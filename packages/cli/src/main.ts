import { inspect, ProjectError } from '@poietra/inputs';
import { Command } from 'commander';
import { resolve } from 'node:path';

const program = new Command('poietra').description('Poietra on the command line, for CI.');

program
  .command('inspect')
  .description('list every input of a project folder, with what it declares, its findings and its drafted adapter')
  .argument('<folder>', 'the project folder, with its packages installed')
  .option('--json', 'print JSON')
  .action((folder: string, { json }: { json?: boolean }) => {
    const inspection = inspect(resolve(process.env['INIT_CWD'] ?? '.', folder));
    if (json) {
      console.log(JSON.stringify(inspection, undefined, 2));
      return;
    }
    for (const { input, adapter } of inspection.inputs) {
      console.log(
        `${input.id.padEnd(48)} ${input.family.padEnd(10)} ${adapter ? `${adapter.value.property} → ${adapter.change.report} ${adapter.change.path}` : 'no pair found'}`,
      );
    }
    if (inspection.missing.length > 0) console.log(`Not installed: ${inspection.missing.join(', ')}`);
  });

try {
  await program.parseAsync();
} catch (error) {
  if (!(error instanceof ProjectError)) throw error;
  console.error(error.message);
  process.exitCode = 2;
}
