import { inspect, ownTypes, ProjectError, schemaOfType, suiteOf, type OwnType } from '@poietra/inputs';
import { parentPort, workerData } from 'node:worker_threads';

/** What is asked of a project: its inputs, the types that it exports, the schema of one of them, or what a package has to draw with. */
export type Asked = { readonly folder: string } & (
  | { readonly what?: 'inputs' }
  | { readonly what: 'types' }
  | { readonly what: 'schema'; readonly type: OwnType }
  | { readonly what: 'suite'; readonly package: string }
);

const asked = workerData as Asked;
try {
  if (asked.what === 'types') parentPort?.postMessage({ types: ownTypes(asked.folder) });
  else if (asked.what === 'suite') parentPort?.postMessage(suiteOf(asked.folder, asked.package));
  else if (asked.what === 'schema') parentPort?.postMessage(schemaOfType(asked.folder, asked.type));
  else
    parentPort?.postMessage({ inspection: inspect(asked.folder, (progress) => parentPort?.postMessage({ progress })) });
} catch (error) {
  if (!(error instanceof ProjectError)) console.error(error);
  parentPort?.postMessage({ failed: error instanceof Error ? error.message : String(error) });
}
