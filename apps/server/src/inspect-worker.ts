import { inspect, ProjectError } from '@poietra/inputs';
import { parentPort, workerData } from 'node:worker_threads';

const { folder } = workerData as { folder: string };
try {
  parentPort?.postMessage({ inspection: inspect(folder, (progress) => parentPort?.postMessage({ progress })) });
} catch (error) {
  if (!(error instanceof ProjectError)) console.error(error);
  parentPort?.postMessage({ failed: error instanceof Error ? error.message : String(error) });
}
