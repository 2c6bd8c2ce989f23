/** The look of the forms: what the plain skin lets one set, by light and dark theme. Drawn in frames, which have no reader of kits. */

/** What a variable of the look is: a colour, a length, or families of type. */
export type LookKind = 'colour' | 'length' | 'font';

interface LookVariable {
  readonly kind: LookKind;
  /** What it is where nothing is set. */
  readonly usual: string;
  /** In the dark theme. */
  readonly dark?: string;
  readonly says: string;
}

/** Every variable of `skin.css`, by its name without `--poietra-`. */
export const lookVariables = {
  ink: { kind: 'colour', usual: '#13211f', dark: '#e6eeec', says: 'text' },
  'ink-2': { kind: 'colour', usual: '#4a5b58', dark: '#a3b3b0', says: 'hints, marks, what stands back' },
  line: { kind: 'colour', usual: '#6f827e', dark: '#7d918d', says: 'borders of inputs and buttons' },
  hairline: { kind: 'colour', usual: '#c8d3d0', dark: '#2f3c3a', says: 'lines between groups, entries, rows' },
  sheet: { kind: 'colour', usual: '#fcfdfc', dark: '#182120', says: 'ground of inputs' },
  bad: { kind: 'colour', usual: '#b3261e', dark: '#ff9a90', says: 'problems, borders of invalid inputs' },
  focus: { kind: 'colour', usual: '#0b6763', dark: '#5cc5bd', says: 'what has the focus, the button that sends' },
  font: { kind: 'font', usual: 'inherit', says: 'type' },
  text: { kind: 'length', usual: '16px', says: 'size of the text' },
  small: { kind: 'length', usual: '14px', says: 'size of hints and messages' },
  gap: { kind: 'length', usual: '16px', says: 'between fields' },
  height: { kind: 'length', usual: '36px', says: 'least height of inputs and buttons' },
  corner: { kind: 'length', usual: '4px', says: 'corners of inputs and buttons' },
  border: { kind: 'length', usual: '1px', says: 'width of borders' },
  'bad-border': { kind: 'length', usual: '2px', says: 'width of the border of an invalid input' },
} as const satisfies Readonly<Record<string, LookVariable>>;

export type LookName = keyof typeof lookVariables;
export type LookValues = { readonly [Name in LookName]?: string };
export interface LookDescription {
  readonly light?: LookValues;
  /** What differs in the dark theme. */
  readonly dark?: LookValues;
}

/** A kit is foreign: nothing but a value of the kind can stand in the style sheet. */
export const lookShapes: Readonly<Record<LookKind, { readonly shape: RegExp; readonly says: string }>> = {
  colour: {
    shape:
      /^(#([0-9a-fA-F]{3,4}|[0-9a-fA-F]{6}|[0-9a-fA-F]{8})|[A-Za-z]{3,30}|(rgba?|hsla?|hwb|lab|lch|oklab|oklch)\([\d\s.,%/+-]*(deg|turn|rad)?[\d\s.,%/+-]*\))$/,
    says: 'is a colour of CSS, like #0b6763 or rgb(11 103 99)',
  },
  length: { shape: /^(0|\d{1,4}(\.\d{1,4})?(px|rem|em|ch|%))$/, says: 'is a length of CSS, like 4px or 1.2rem' },
  font: {
    shape: /^(?=.{1,200}$)("[\w .-]+"|[A-Za-z][\w-]*( [\w-]+)*)(\s*,\s*("[\w .-]+"|[A-Za-z][\w-]*( [\w-]+)*))*$/,
    says: 'is a list of type families, like "Source Sans 3", sans-serif',
  },
};

/** @throws {TypeError} where a text is no value for the variable; it says what would be. */
export function checkLook(name: LookName, text: string): void {
  const { shape, says } = lookShapes[lookVariables[name].kind];
  if (!shape.test(text)) throw new TypeError(`“${text}” is none: ${lookVariables[name].says} ${says}.`);
}

/** What is set, as declarations of CSS; names that are none are left out. */
function declarations(set: LookValues = {}): string {
  return (Object.keys(lookVariables) as LookName[])
    .flatMap((name) => (set[name] === undefined ? [] : [`  --poietra-${name}: ${set[name]};`]))
    .join('\n');
}

/** Where the look applies; by default, to every form, and dark as the system asks for it. */
export interface LookPlaces {
  readonly light?: string;
  /** A selector; without it the dark values stand in a media query. */
  readonly dark?: string;
}

/** The style sheet of a look; empty where nothing is set. It counts before `skin.css` as well as behind it. */
export function lookCss({ light, dark }: LookDescription, at: LookPlaces = {}): string {
  const place = at.light ?? '.poietra-form.poietra-form';
  const [plain, other] = [declarations(light), declarations(dark)];
  const rules = plain === '' ? '' : `${place} {\n${plain}\n}\n`;
  if (other === '') return rules;
  if (at.dark !== undefined) return `${rules}${at.dark} {\n${other}\n}\n`;
  const inner = `${place} {\n${other}\n}`.replace(/^/gm, '  ');
  return `${rules}@media (prefers-color-scheme: dark) {\n${inner}\n}\n`;
}
