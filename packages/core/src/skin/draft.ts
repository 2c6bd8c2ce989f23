/** A skin from what was seen when its components were drawn. */
import type { Wrapper } from '../adapter/index.js';
import type { SkinDescription, SkinPart, SkinPartDescription } from '../kit/index.js';
import type { Given, SkinTask, SkinWord } from './tasks.js';

/** What was seen of one component, tried as one part. */
export interface SeenPart {
  readonly part: SkinTask['part'];
  readonly component: string;
  /** Why it cannot be drawn at all. */
  readonly failed?: string;
  /** What it has to stand in: alone it cannot be drawn, or has no theme. */
  readonly around?: Wrapper;
  /** Whether what stands inside of it is seen. */
  readonly inside: boolean;
  /** By which property it appears at all. */
  readonly open?: string;
  /** Properties that showed the words that they were given. */
  readonly words: Readonly<Partial<Record<SkinWord, readonly string[]>>>;
  /** By which property it looks wrong, and what was another. */
  readonly invalid?: Given & { readonly seen: string };
  /** By which property it says that a value is needed. */
  readonly required?: string;
  /** The box draws a label itself, and which property takes the id that it is for; empty where none does. */
  readonly labelFor?: string;
  /** It is a label itself: it took `htmlFor`. */
  readonly isLabel?: boolean;
  readonly button?: {
    /** What was called at a press; none where nothing was. */
    readonly press?: string;
    /** Which property takes HTML's `type`; none where it cannot be said. */
    readonly type?: string;
    readonly keepsName: boolean;
    readonly sends?: Given;
  };
}

/** One claim of a drafted skin, with what speaks for it. */
export interface SkinFinding {
  readonly part: SkinTask['part'] | 'submit';
  readonly says: string;
  readonly evidence: string;
}
export interface DraftedSkin {
  readonly skin: SkinDescription;
  readonly findings: readonly SkinFinding[];
  /** What was tried and is not used, and why. */
  readonly passedOver: readonly SkinFinding[];
}

/** Of what was seen, for each part the first component that does what the part is for. */
export function draftSkin(seen: readonly SeenPart[]): DraftedSkin {
  const findings: SkinFinding[] = [];
  const passedOver: SkinFinding[] = [];
  const parts: Partial<Record<SkinPart, SkinPartDescription>> = {};
  let box: Omit<SkinDescription, 'parts'> = {};
  let around: Wrapper | undefined;
  const done = new Set<string>();
  for (const one of seen) {
    const trouble = troubleOf(one);
    if (trouble !== undefined || done.has(one.part)) {
      const says = `${one.component} is not used.`;
      passedOver.push({ part: one.part, says, evidence: trouble ?? 'Another does the same, and was tried before it.' });
      continue;
    }
    done.add(one.part);
    if (one.around && !around) {
      around = one.around;
      findings.push({
        part: one.part,
        says: `What it draws has to stand inside ${around.component}.`,
        evidence: around.imports ? 'Its theme comes from there.' : 'Alone it could not be drawn.',
      });
    }
    const claim = (says: string, evidence: string, part: SkinFinding['part'] = one.part): void =>
      void findings.push({ part, says, evidence });
    if (one.part === 'box') {
      box = boxOf(one, claim);
      continue;
    }
    const described = partOf(one.part, one, claim);
    parts[one.part] = described;
    if (one.part === 'button' && one.button?.sends) {
      const { name, value } = one.button.sends;
      parts.submit = { ...described, properties: { [name]: value } };
      claim(`The button that sends has ${name} = “${String(value)}”.`, 'It looks different with it.', 'submit');
    }
  }
  return {
    skin: { ...box, ...(Object.keys(parts).length > 0 ? { parts } : {}), ...(around ? { around: [around] } : {}) },
    findings,
    passedOver,
  };
}

type Claim = (says: string, evidence: string, part?: SkinFinding['part']) => void;

function troubleOf({ part, failed, inside, words, button, invalid, isLabel }: SeenPart): string | undefined {
  if (failed !== undefined) return `It could not be drawn: ${failed}`;
  if (!inside && (part !== 'summary' || (words.inside ?? []).length === 0))
    return 'What it was given to stand inside of it was not seen.';
  if (part === 'box' && (words.label ?? []).length === 0 && !invalid)
    return 'It takes no label and does not look wrong: it would draw nothing of its own.';
  if (part === 'button' && button?.press === undefined) return 'A press on it was not told.';
  if (part === 'button' && !button?.keepsName) return 'It loses its name (aria-label).';
  if (part === 'label' && isLabel === undefined) return 'It was not seen.';
  return undefined;
}

function boxOf(
  { component, words, labelFor, invalid, required }: SeenPart,
  claim: Claim,
): Omit<SkinDescription, 'parts'> {
  const [label] = words.label ?? [];
  const [error] = (words.error ?? []).filter((name) => name !== label);
  const [hint] = (words.hint ?? []).filter((name) => name !== label && name !== error);
  claim(`Each field stands inside ${component}.`, 'It was drawn, and an input inside of it was seen.');
  for (const [what, name] of [
    ['label', label],
    ['hint', hint],
    ['message', error],
  ] as const)
    if (name !== undefined) claim(`The ${what} goes to ${name}.`, `A word that ${name} was given was seen.`);
  if (labelFor !== undefined)
    claim(
      labelFor === '' ? 'It draws a label that leads nowhere.' : `${labelFor} says which input its label is for.`,
      labelFor === ''
        ? 'No property was seen to take an id for it.'
        : 'The label that it drew led to the id that this was given.',
    );
  if (invalid) claim(`It looks wrong with ${name(invalid)}.`, `With it ${invalid.seen}.`);
  if (required !== undefined)
    claim(`That a value is needed goes to ${required}.`, 'With it something was drawn that was not there before.');
  return {
    component,
    ...(label === undefined ? {} : { label }),
    ...(labelFor === undefined ? {} : { labelFor }),
    ...(hint === undefined ? {} : { hint }),
    ...(error === undefined ? {} : { error }),
    ...(required === undefined ? {} : { required }),
    // Where the message itself makes it look wrong, there is nothing more to say.
    ...(invalid && invalid.name !== error ? { invalid: { [invalid.name]: invalid.value } } : {}),
  };
}

function partOf(part: SkinPart, one: SeenPart, claim: Claim): SkinPartDescription {
  const { component, words, open, invalid, isLabel, button } = one;
  const names: Record<string, string> = {};
  const properties: Record<string, unknown> = {};
  claim(`${skinPartSays[part]} ${component}.`, 'It was drawn, and what it was given was seen in it.');
  if (open !== undefined) {
    properties[open] = true;
    claim(`It always has ${open}.`, 'Without it nothing was seen.');
  }
  if (part === 'label' && isLabel) {
    names['htmlFor'] = 'htmlFor';
    claim('It is the label itself: it takes the id of the input.', 'It drew a label that led to the id it was given.');
  }
  if (part === 'group') {
    const [title] = words.title ?? [];
    if (title !== 'title') names['title'] = title ?? '';
    claim(
      title === undefined ? 'The title stands inside, before what is in the group.' : `The title goes to ${title}.`,
      title === undefined ? 'No property was seen to show one.' : `A word that ${title} was given was seen.`,
    );
  }
  if (part === 'summary' && !one.inside) {
    const [inside] = words.inside ?? [];
    if (inside !== undefined) names['children'] = inside;
    claim(`What is to be mended goes to ${inside ?? 'nothing'}.`, 'What stood inside of it was not seen; this was.');
  }
  if ((part === 'message' || part === 'summary') && invalid) {
    properties[invalid.name] = invalid.value;
    claim(`It always has ${name(invalid)}.`, `With it ${invalid.seen}.`);
  }
  if (button) {
    if (button.press !== undefined && button.press !== 'onClick') names['onClick'] = button.press;
    if (button.type !== undefined && button.type !== 'type') names['type'] = button.type;
    if (button.press !== undefined) claim(`${button.press} tells of a press.`, 'It was pressed, and told so.');
    claim(
      button.type === undefined ? 'Whether it sends cannot be told to it.' : `${button.type} says whether it sends.`,
      button.type === undefined
        ? 'What it drew had another type than was wanted.'
        : 'What it drew had the type that was wanted.',
    );
  }
  return {
    component,
    ...(Object.keys(names).length > 0 ? { names } : {}),
    ...(Object.keys(properties).length > 0 ? { properties } : {}),
  };
}

const name = ({ name: property, value }: Given): string =>
  value === true ? property : `${property} = “${String(value)}”`;

/** How a sentence about a part begins; the component follows. */
export const skinPartSays: Readonly<Record<SkinPart, string>> = {
  label: 'A label is',
  mark: 'The mark of a needed value is',
  hint: 'A hint is',
  message: 'A message is',
  group: 'A group stands inside',
  list: 'A list stands inside',
  tab: 'A tab is',
  button: 'A button is',
  submit: 'The button that sends is',
  summary: 'What is to be mended stands inside',
};
