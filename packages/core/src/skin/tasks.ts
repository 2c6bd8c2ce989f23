/** Which components of a suite might draw which part of a form, by their names and what they declare; what is true of it is tried. */
import type { DeclaredProperty } from '../adapter/index.js';
import type { SkinPart } from '../kit/index.js';

/** A component of a suite as it declares itself. */
export interface SuiteComponent {
  /** `package#Export`, or `package/module#a-tag` for an element. */
  readonly component: string;
  readonly properties: readonly Pick<DeclaredProperty, 'name' | 'type' | 'choices' | 'required'>[];
}

/** One component to be tried as one part: which properties may take what, the likeliest first. */
export interface SkinTask {
  readonly part: SkinPart | 'box';
  readonly component: string;
  /** What may take words: of a box its label, hint and message; of others what stands inside, and the title of a group. */
  readonly words: Readonly<Partial<Record<SkinWord, readonly string[]>>>;
  /** What may show that something is wrong. */
  readonly invalid: readonly Given[];
  /** What may take the id of the input that a label is for. */
  readonly ids: readonly string[];
  /** What may make it appear at all. */
  readonly opens: readonly string[];
  /** What may show that a value is needed. */
  readonly required: readonly string[];
  /** What may say how a button works: HTML's `type`. */
  readonly types: readonly string[];
  /** What may be called at a press. */
  readonly presses: readonly string[];
  /** What may make a button look like the one that sends. */
  readonly sends: readonly Given[];
}
export type SkinWord = 'label' | 'hint' | 'error' | 'title' | 'inside';
/** A property and a value of it. */
export interface Given {
  readonly name: string;
  readonly value: boolean | string;
}

/** What a component that draws the part is called: the last words of its name, the likeliest first. */
const called: Readonly<Partial<Record<SkinPart | 'box', readonly RegExp[]>>> = {
  box: [
    /^(Form\.?(Item|Field|Control|Group|Row)|Field(\.?Root)?|Input\.?(Wrapper|Box))$/,
    /(Form(Item|Field|Control|Group)|Field|InputWrapper)$/i,
  ],
  label: [/^(Form|Field|Input)?\.?Label$/, /Label$/],
  hint: [/(Helper|Help|Hint|Description)\.?(Text)?$/],
  message: [/(Error|Validation|Feedback)\.?(Message|Text)?$/, /(HelperText|Message)$/],
  group: [/^(Field\.?Set|Fieldset)(\.?Root)?$/i, /^(Form\.?Section|Card|Panel|Paper|Section)$/],
  button: [/^Button$/, /button$/],
  summary: [/^(Alert|Callout|Notice|Message\.?Bar|Banner)$/, /(alert|callout|notification|Message)$/i],
};
const mostTried = 3;

const wordNames: Readonly<Record<SkinWord, readonly RegExp[]>> = {
  label: [/^label$/i, /^(legend|title|caption|heading|header)$/i, /label$/i],
  hint: [/^(hint|description|extra)$/i, /(hint|help|helper|description)(Text)?$/i, /^(caption|info|subtitle)$/i],
  error: [
    /^(error|errorMessage|errorText|validationMessage)$/i,
    /error|validation|feedback/i,
    /^(message|help|helperText)$/i,
  ],
  title: [/^(legend|title)$/i, /^(label|heading|header|caption)$/i],
  inside: [/^(message|description|text|content|label|title)$/i],
};
const isWrong = /^(error|invalid|danger|critical|negative|failed|failure|exception|destructive)$/i;
const isMain = /^(primary|contained|filled|solid|accent|brand|cta)$/i;
/** Words are given as elements, as texts, in a suite's own wrapping; these are none. */
const isNoWords = /^(boolean|number)\b|=>/;
const isOfTruth = /\bboolean\b|\btrue\b/;

/** Everything worth trying of a suite, the likeliest of each part first. */
export function skinTasks(components: readonly SuiteComponent[]): SkinTask[] {
  return Object.entries(called).flatMap(([part, patterns]) => {
    const ranked = components
      .map((one) => ({ one, rank: patterns.findIndex((pattern) => pattern.test(nameOf(one))) }))
      .filter(({ rank }) => rank >= 0)
      // Of names that fit alike the shortest is the general one.
      .sort((a, b) => a.rank - b.rank || nameOf(a.one).length - nameOf(b.one).length);
    return ranked.slice(0, mostTried).map(({ one }) => taskFor(part as SkinTask['part'], one));
  });
}

function nameOf({ component }: SuiteComponent): string {
  const name = component.slice(component.lastIndexOf('#') + 1);
  // An element is called by its tag: the first word of it is the suite's.
  return name.includes('-') ? name.slice(name.indexOf('-') + 1) : name;
}

function taskFor(part: SkinTask['part'], { component, properties }: SuiteComponent): SkinTask {
  const wordsFor = (word: SkinWord): readonly string[] =>
    wordNames[word]
      .flatMap((pattern) =>
        properties.filter(({ name, type }) => pattern.test(name) && !isNoWords.test(type)).map(({ name }) => name),
      )
      .filter((name, i, all) => all.indexOf(name) === i)
      .slice(0, 6);
  const words: readonly SkinWord[] =
    part === 'box' ? ['label', 'hint', 'error'] : part === 'group' ? ['title'] : part === 'summary' ? ['inside'] : [];
  const truths = (fits: RegExp): string[] =>
    properties.filter(({ name, type }) => fits.test(name) && isOfTruth.test(type)).map(({ name }) => name);
  const withChoice = (fits: RegExp): Given[] =>
    properties.flatMap(({ name, choices = [] }) =>
      choices.filter((choice) => fits.test(choice)).map((value) => ({ name, value })),
    );
  return {
    part,
    component,
    words: Object.fromEntries(words.map((word) => [word, wordsFor(word)])),
    invalid: [
      ...truths(/^(is|has)?_?(invalid|error|danger)$/i).map((name) => ({ name, value: true })),
      ...withChoice(isWrong),
    ].slice(0, 6),
    ids: properties
      .filter(({ name }) => /^(html|label)?for$|^(control|input|field)?_?id$/i.test(name))
      .map(({ name }) => name),
    opens: truths(/^(is)?_?(open|visible|shown?)$/i),
    required: truths(/^(is)?required$|asterisk/i),
    types: properties.filter(({ choices = [] }) => choices.includes('submit')).map(({ name }) => name),
    presses: properties.filter(({ name }) => /^on(Press|Click|Tap)$/.test(name)).map(({ name }) => name),
    sends: withChoice(isMain).slice(0, 4),
  };
}
