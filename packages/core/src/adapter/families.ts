/**
 * The families of inputs: how their makers ship them. What differs by family stands in this table, or in a record over its
 * keys where it needs more than the core has (the hosts of `react`), so that the compiler names what a new row lacks.
 */
interface FamilyTraits {
  /** What a person reads for it. */
  readonly title: string;
  /** What has to be imported of its module: its export, the module alone because it registers a tag, or nothing. */
  readonly comes: 'by export' | 'by tag' | 'with the page';
  /** Whether the value stands on the element that an event comes from, and what tells of leaving is such an event. */
  readonly tells: 'by callbacks' | 'by events';
}

/** The families of inputs, with what differs between them. */
export const families = {
  native: { title: 'native', comes: 'with the page', tells: 'by callbacks' },
  component: { title: 'component', comes: 'by export', tells: 'by callbacks' },
  element: { title: 'element', comes: 'by tag', tells: 'by events' },
  widget: { title: 'widget', comes: 'by export', tells: 'by callbacks' },
} as const satisfies Readonly<Record<string, FamilyTraits>>;

/** How an input's maker ships it: HTML's own, a component, a custom element, a plain-DOM widget. */
export type Family = keyof typeof families;
/** The families by name. */
export const familyNames = Object.keys(families) as [Family, ...Family[]];
