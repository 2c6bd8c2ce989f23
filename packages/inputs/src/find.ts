import { draftAdapter, nativeAdapters, type AdapterDescription, type Finding, type FoundInput } from '@poietra/core';
import { declaredInputs, type Progress } from './declared/index.js';
import { elementsOf } from './elements.js';
import { nativeFound } from './native.js';
import { readProject } from './project.js';

/** One input with what its declarations speak for. */
export interface InspectedInput {
  readonly input: FoundInput;
  readonly findings: readonly Finding[];
  readonly adapter?: AdapterDescription;
}
export interface Inspection {
  readonly folder: string;
  readonly project: string;
  readonly inputs: readonly InspectedInput[];
  readonly missing: readonly string[];
}

/**
 * Every input of a project folder, with findings and drafted adapter.
 * @throws {ProjectError} where the folder is no project.
 */
export function inspect(folder: string, tell?: (progress: Progress) => void): Inspection {
  const project = readProject(folder);
  const elements = project.packages.flatMap((pkg) => elementsOf(pkg));
  const withElements = new Set(elements.map((input) => input.package));
  const declared = declaredInputs(
    project,
    project.packages.filter(({ name }) => !withElements.has(name)),
    tell,
  );
  const found = [...nativeFound(), ...declared, ...elements];
  return {
    folder: project.folder,
    project: project.name,
    missing: project.missing,
    inputs: found.flatMap((input) => {
      const native = input.family === 'native' ? nativeAdapters[input.export] : undefined;
      const drafted = native
        ? {
            adapter: native,
            findings: [
              {
                about: 'value' as const,
                says: 'It is HTML’s own.',
                evidence: 'The HTML standard.',
                from: 'declared' as const,
                certainty: 1,
              },
            ],
          }
        : draftAdapter(input);
      return drafted ? [{ input, ...drafted }] : [];
    }),
  };
}
