import {
  draftAdapter,
  draftByHand,
  nativeAdapters,
  valueNames,
  type AdapterDescription,
  type Finding,
  type FoundInput,
} from '@poietra/core';
import { declaredInputs, type Progress } from './declared/index.js';
import { eachAlone } from './each-alone.js';
import { everyElementOf, inputsAmong } from './elements.js';
import { nativeFound } from './native.js';
import { unmetPeers } from './peers.js';
import { readProject, type Project } from './project.js';
import { growSlowly } from './slow-growth.js';

/** One input with what its declarations speak for. */
export interface InspectedInput {
  readonly input: FoundInput;
  readonly findings: readonly Finding[];
  readonly adapter?: AdapterDescription;
}
/** An export that has something of an input and was taken for none; its draft may be a guess. */
export interface PassedOver extends InspectedInput {
  /** Why, as a sentence. */
  readonly reason: string;
}
export interface Inspection {
  readonly folder: string;
  readonly project: string;
  readonly inputs: readonly InspectedInput[];
  readonly passed: readonly PassedOver[];
  readonly missing: readonly string[];
  /** Packages and files that could not be read, and packages that are not made for what is installed beside them; a sentence each. */
  readonly unread: readonly string[];
  /** Packages in which there is nothing of an input, by name. */
  readonly without: readonly string[];
}

/**
 * Every input of a project folder, with findings and drafted adapter.
 * @throws {ProjectError} where the folder is no project.
 */
export function inspect(folder: string, tell?: (progress: Progress) => void): Inspection {
  growSlowly();
  const project = readProject(folder);
  const failed: string[] = [];
  const byPackage = eachAlone(project.packages, failed, everyElementOf);
  const every = byPackage.flat();
  const elements = byPackage.flatMap(inputsAmong);
  const withElements = new Set(elements.map((input) => input.package));
  const declared = declaredInputs(
    project,
    project.packages.filter(({ name }) => !withElements.has(name)),
    tell,
  );
  const inputs: InspectedInput[] = nativeFound().flatMap((input) => {
    const adapter = nativeAdapters[input.export];
    return adapter ? [{ input, adapter, findings: [itsOwn] }] : [];
  });
  const passed: PassedOver[] = [];
  const pass = (input: FoundInput, reason: string): void => {
    const drafted = draftAdapter(input) ?? draftByHand(input);
    if (drafted) passed.push({ input, ...drafted, reason });
  };
  for (const input of [...declared.found, ...elements]) {
    const drafted = draftAdapter(input);
    if (drafted) inputs.push({ input, ...drafted });
    else if (hasValue(input)) pass(input, 'No property and report of it could be told to belong together.');
  }
  for (const { input, reason } of declared.passed) pass(input, reason);
  const unread = [...unmetPeers(project), ...failed, ...declared.unread];
  const taken = new Set(elements.map(({ id }) => id));
  for (const input of every)
    if (!taken.has(input.id) && hasValue(input))
      pass(input, 'By its tag it is pressed, leads somewhere, shows something, or is a part of another.');
  return {
    folder: project.folder,
    project: project.name,
    missing: project.missing,
    unread,
    without: withNothing(project, [...inputs, ...passed], unread),
    inputs,
    passed,
  };
}

/** Who looks for the inputs of a package that has none to be found is told so. */
function withNothing({ packages }: Project, found: readonly InspectedInput[], told: readonly string[]): string[] {
  const seen = new Set(found.map(({ input }) => input.package));
  const isTold = (name: string): boolean => told.some((one) => one.startsWith(`${name} `));
  return packages.flatMap(({ name }) => (seen.has(name) || noUi.test(name) || isTold(name) ? [] : [name]));
}
const noUi = /^(@types\/.*|react|react-dom)$/;

/** Of elements a package lists all that it has; most have nothing that could be a value. */
const hasValue = ({ family, properties }: FoundInput): boolean =>
  family !== 'element' || properties.some(({ name }) => valueNames.includes(name));

const itsOwn: Finding = {
  about: 'value',
  says: 'It is HTML’s own.',
  evidence: 'The HTML standard.',
  from: 'declared',
  certainty: 1,
};
