/** What a form needs to be drawn elsewhere: its description with all that it uses of the kit, and the bundle it runs on. */
import {
  componentsBeside,
  componentsOfSkin,
  foreignInputs,
  kitDocuments,
  mentionedAdapters,
  type FormDescription,
  type Kit,
} from '@poietra/core';
import type { FormToOpen } from '../sandbox/messages.js';
import { ask } from '../store/ask.js';
import { codecsForFrame } from './use-codes.js';

/** What of it comes from the kit, and stays the same however it is looked at. */
export function formToOpen(form: FormDescription, kit: Kit): Pick<FormToOpen, 'form' | 'documents' | 'kit'> {
  const { adapters, codecs, fields, inputs, rules, skins, hints, look } = kit;
  // How the texts are written is nothing to draw: a letter in a comment must not open the form anew.
  const { written: _, ...drawn } = form;
  return {
    form: drawn,
    documents: kitDocuments(kit),
    kit: {
      adapters,
      codecs: codecsForFrame(codecs),
      fields,
      inputs,
      ...(rules ? { rules } : {}),
      ...(skins ? { skins } : {}),
      ...(hints ? { hints } : {}),
      ...(look ? { look } : {}),
    },
  };
}

export interface Bundled {
  readonly inputs: readonly string[];
  readonly wrappers: readonly string[];
  readonly codecs: readonly string[];
}

/** The form as the server draws it. @throws where it cannot; it says why. */
export async function renderedForm(wanted: Bundled, open: FormToOpen): Promise<string> {
  const answer = (await ask('/api/render', { method: 'POST', json: { what: 'form', ...wanted, task: open } })) as
    { readonly html: string } | { readonly failed: string };
  if ('failed' in answer) throw new Error(`The server could not draw it. ${answer.failed}`);
  return answer.html;
}

/** What has to be bundled, in a fixed order: the same set is the same bundle. */
export function bundledFor(
  form: FormDescription,
  kit: Kit,
  skin: string | undefined,
): { inputs: string[]; wrappers: string[] } {
  const adapters = mentionedAdapters(form, kit).flatMap((name) => kit.adapters[name] ?? []);
  const foreign = adapters.filter((adapter) => foreignInputs(adapter).length > 0);
  return {
    inputs: [...new Set(foreign.flatMap(foreignInputs))].sort(),
    wrappers: [...new Set([...foreign.flatMap(componentsBeside), ...skinsFor(form, kit, skin)])].sort(),
  };
}

/** The components of the skins that a form draws with: its own, and those that its hints name. */
function skinsFor(form: FormDescription, { skins = {} }: Kit, skin: string | undefined): string[] {
  const text = JSON.stringify([form.schema, form.hints]);
  return Object.entries(skins).flatMap(([name, described]) =>
    name === (skin ?? form.skin) || text.includes(`"skin":${JSON.stringify(name)}`) ? componentsOfSkin(described) : [],
  );
}
