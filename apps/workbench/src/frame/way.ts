import { ownMember, titleOf, usesByPart, type Kit } from '@poietra/core';
import { pathOf } from '../parts/kit-part.js';

/** One stop on the way along one value: where, and what to do there. */
export interface Stop {
  readonly name: string;
  readonly to: string;
  readonly says: string;
}

/**
 * The way of one value through a kit: from a form to the input, the codec and the field behind one of its places, and to
 * the source. Nothing where no form of the kit has a field with an adapter and a codec of the kit.
 */
export function wayOf(kit: Kit): readonly Stop[] | undefined {
  const uses = usesByPart(kit, 'fields');
  for (const [form, { title }] of Object.entries(kit.forms))
    for (const [name, { adapter, codec }] of Object.entries(kit.fields)) {
      const isUsed = uses.get(name)?.some((use) => use.kind === 'forms' && use.name === form) ?? false;
      if (!isUsed || !ownMember(kit.adapters, adapter) || !ownMember(kit.codecs, codec)) continue;
      const field = titleOf(kit, 'fields', name);
      return [
        {
          name: title,
          to: pathOf('forms', form),
          says: `Enter a value in “${field}”. Its note in the right margin follows: as the input shows it, as the form holds it, as it is sent.`,
        },
        {
          name: titleOf(kit, 'adapters', adapter),
          to: pathOf('adapters', adapter),
          says: 'This is the input behind it. The notes at the left say how the adapter speaks to it; each underlined word can be pressed and changed. The contract below puts it to the test.',
        },
        {
          name: titleOf(kit, 'codecs', codec),
          to: pathOf('codecs', codec),
          says: 'The codec leads from what is shown to what is held and sent, and back. Try a value of your own, and keep it as a case: every change is held against it.',
        },
        {
          name: field,
          to: pathOf('fields', name),
          says: 'Adapter and codec together are a field: described once, drawn here twice on one page, with ids that never meet.',
        },
        {
          name: `${title}, edited`,
          to: `${pathOf('forms', form)}?edit=`,
          says: 'The form is edited where it stands: press a label, a hint or a word of a note and type. Undo (Ctrl Z) takes everything back.',
        },
        {
          name: 'Hand-over',
          to: '/hand-over',
          says: 'What leaves: typed source for your application, with the libraries or on its own. That was the way of one value; “Kits” begins a kit of your own.',
        },
      ];
    }
  return undefined;
}
