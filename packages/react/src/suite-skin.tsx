/** A skin drawn with the parts of a component suite. Ids and links stay those of the field, wherever the suite puts what it is given. */
import { createElement, type ElementType, type ReactNode } from 'react';
import { LabelWords, Told, type Skin, type SkinParts, type SkinProps } from './skin.js';

type Properties = Readonly<Record<string, unknown>>;

/** A component, or a custom element by its tag. */
export type SuiteElement = ElementType | `${string}-${string}`;

/** A component or an element of a suite, and by which properties it is told. */
export interface SuitePart {
  readonly component: SuiteElement;
  /** What it is given, by the name that HTML has for it, and its own name of that: `{ type: 'htmlType' }`. An empty one leaves it out. */
  readonly names?: Readonly<Record<string, string>>;
  /** What it gets besides. */
  readonly properties?: Properties;
}

/** What a skin draws with: the field box of a suite, which has its own label, hint and message, and other parts of it. */
export interface SuiteParts {
  /** The tag or component of the box around a field; none draws the field as the plain skin does. */
  readonly box?: SuiteElement;
  /** Under which names the box takes what it draws; names that it does not have are left out. */
  readonly label?: string;
  /** The box draws a `<label>` around what it is given, and takes the id of the input under this name; empty where it takes none. */
  readonly labelFor?: string;
  readonly hint?: string;
  readonly error?: string;
  readonly required?: string;
  /** What it gets besides; `invalid` where the field has a problem. */
  readonly properties?: (state: { readonly invalid: boolean }) => Properties;
  /** What has to stand around each of them, the outermost first: a provider of settings or of a theme. */
  readonly around?: readonly Omit<SuitePart, 'names'>[];
  /**
   * Each in place of HTML’s own. A `label` that takes `htmlFor` (under some name) is the label itself, another one stands
   * inside of it; `mark`, `hint` and `message` stand inside of what the field’s ids lead to.
   */
  readonly parts?: Readonly<Partial<Record<keyof SkinParts | 'label' | 'mark' | 'hint' | 'message', SuitePart>>>;
}

/** A skin from components of a suite: what it draws with, and under which names they take what they are given. */
export function suiteSkin({
  box,
  label,
  labelFor,
  hint,
  error,
  required,
  properties,
  parts = {},
  around = [],
}: SuiteParts): Skin {
  const { label: labelPart, mark, hint: hintPart, message, ...others } = parts;
  const drawn = (part: SuitePart): ElementType<Properties> => drawnWith(part, around);
  const [Label, Mark, Hint, Message] = [labelPart, mark, hintPart, message].map((part) => part && drawn(part));
  const isLabel = labelPart?.names?.['htmlFor'] !== undefined;
  function Suite(props: SkinProps): ReactNode {
    const { ids, shownProblems, pending, takesLabel, focus, at } = props;
    // What is said of a box counts only where there is one.
    const isTaken = (name: string | undefined): name is string => box !== undefined && name !== undefined;
    const words = <LabelWords label={props.label} required={props.required && !isTaken(required)} mark={Mark} />;
    const given: Record<string, unknown> = box === undefined ? {} : { ...properties?.({ invalid: props.invalid }) };
    const inside = Label && !(isLabel && takesLabel) ? <Label>{words}</Label> : words;
    const LabelBox = Label && isLabel ? Label : 'label';
    // A label inside of a label would be two.
    const labelElement = props.drawsLabel ? undefined : takesLabel && !isTaken(labelFor) ? (
      <LabelBox className="poietra-label" id={ids.label} htmlFor={ids.input}>
        {inside}
      </LabelBox>
    ) : (
      <span
        className="poietra-label"
        id={ids.label}
        onClick={isTaken(labelFor) && labelFor !== '' && takesLabel ? undefined : focus}
      >
        {inside}
      </span>
    );
    const hintElement = props.hint !== undefined && (
      <div className="poietra-hint" id={ids.hint}>
        {Hint ? <Hint>{props.hint}</Hint> : props.hint}
      </div>
    );
    const isTold = shownProblems.length > 0 || pending;
    const told = <Told shownProblems={shownProblems} pending={pending} />;
    const errorElement = (
      <div className="poietra-error" id={ids.error} aria-live="polite">
        {Message && isTold ? <Message>{told}</Message> : told}
      </div>
    );
    if (isTaken(label) && labelElement) given[label] = labelElement;
    if (isTaken(labelFor) && labelFor !== '' && takesLabel) given[labelFor] = ids.input;
    if (isTaken(hint) && hintElement) given[hint] = hintElement;
    if (isTaken(error) && isTold) given[error] = errorElement;
    if (isTaken(required)) given[required] = props.required;
    const field = createElement(
      box ?? 'div',
      {
        ...given,
        className: box === undefined ? 'poietra-field' : 'poietra-suite poietra-field',
        'data-at': at,
        'data-inline': props.inline || undefined,
        'data-quiet': props.quiet || undefined,
        'data-invalid': props.invalid || undefined,
      },
      isTaken(label) ? undefined : labelElement,
      isTaken(hint) ? undefined : hintElement,
      <div className="poietra-line">
        {props.prefix !== undefined && <span className="poietra-beside">{props.prefix}</span>}
        {props.input}
        {props.suffix !== undefined && <span className="poietra-beside">{props.suffix}</span>}
      </div>,
      isTaken(error) && isTold ? undefined : errorElement,
    );
    return box === undefined ? field : within(around, field);
  }
  return Object.assign(Suite, {
    parts: Object.fromEntries(Object.entries(others).map(([name, part]) => [name, drawn(part)])),
  });
}

/** A component that is given what HTML's own would be, under the names of the suite. */
function drawnWith(
  { component, names = {}, properties }: SuitePart,
  around: NonNullable<SuiteParts['around']>,
): ElementType<Properties> {
  const isUntitled = names['title'] === '';
  return function Part({ children, ...given }: Properties): ReactNode {
    // A box of a group that has no place for a title has it inside.
    const inside = isUntitled
      ? [
          <p key="title" className="poietra-legend">
            {given['title'] as ReactNode}
          </p>,
          children,
        ]
      : children;
    const named = Object.entries({ ...given, children: inside }).flatMap(([name, value]): [string, unknown][] => {
      const own = Object.hasOwn(names, name) ? names[name] : name;
      return own ? [[own, value]] : [];
    });
    return within(around, createElement(component, { ...properties, ...Object.fromEntries(named) }));
  };
}

const within = (around: NonNullable<SuiteParts['around']>, inner: ReactNode): ReactNode =>
  around.reduceRight<ReactNode>(
    (children, { component, properties }) => createElement(component, properties, children),
    inner,
  );
