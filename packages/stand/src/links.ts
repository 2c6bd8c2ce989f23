/** The links of a page: labels, hints and messages to the elements they are for. Each break is named and explained. */
import { everyElement } from '@poietra/react';
import { computeAccessibleDescription, computeAccessibleName, getRole } from 'dom-accessibility-api';

export type BreakKind =
  | 'id twice'
  | 'label to nothing'
  | 'label to what takes none'
  | 'label to hidden'
  | 'labels nested'
  | 'reference to nothing'
  | 'no name'
  | 'legend missing'
  | 'id invented anew'
  | 'server and browser differ';

export interface LinkBreak {
  readonly kind: BreakKind;
  /** Which element, in short: tag and what tells it apart. */
  readonly where: string;
  readonly says: string;
  readonly advice: string;
}
export interface Link {
  readonly from: Element;
  readonly to: Element;
  readonly by: 'label' | 'named by' | 'described by' | 'legend' | 'error summary';
}
export interface LinkedControl {
  readonly element: Element;
  readonly role: string;
  readonly name: string;
  readonly description: string;
}
export interface LinkMap {
  readonly links: readonly Link[];
  readonly breaks: readonly LinkBreak[];
  /** In the order of the page, which is the order of Tab where nobody changes it. */
  readonly controls: readonly LinkedControl[];
}

const labelable = 'button, input:not([type=hidden]), meter, output, progress, select, textarea';
const control =
  'input:not([type=hidden]), select, textarea, button, [role=textbox], [role=combobox], [role=listbox], [role=slider], [role=spinbutton], [role=checkbox], [role=switch], [role=radio]';

/** In short, so that a person finds it. */
export function inShort(element: Element): string {
  const name = element.getAttribute('name') ?? '';
  const text = element.textContent.trim().slice(0, 40);
  const told = element.id !== '' ? `#${element.id}` : name !== '' ? `[name=${name}]` : text === '' ? '' : ` “${text}”`;
  return `<${element.tagName.toLowerCase()}>${told}`;
}

function isHidden(element: Element): boolean {
  return element.closest('[hidden], [inert], [aria-hidden=true]') !== null || element.matches('input[type=hidden]');
}

/** The map of all links below an element, open shadow trees included. Ids are looked up where they count: in their own tree. */
export function linkMap(root: ParentNode): LinkMap {
  const elements = [...everyElement(root)];
  const links: Link[] = [];
  const breaks: LinkBreak[] = [];
  const broken = (kind: BreakKind, element: Element, says: string, advice: string): void => {
    breaks.push({ kind, where: inShort(element), says, advice });
  };
  repeatedIds(elements, broken);
  for (const element of elements) {
    const find = (id: string): Element | null => (element.getRootNode() as Document | ShadowRoot).getElementById(id);
    if (element instanceof HTMLLabelElement) labelLinks(element, find, links, broken);
    for (const [attribute, by] of [
      ['aria-labelledby', 'named by'],
      ['aria-describedby', 'described by'],
      ['aria-errormessage', 'described by'],
    ] as const) {
      for (const id of (element.getAttribute(attribute) ?? '').split(/\s+/).filter(Boolean)) {
        const target = find(id);
        if (target) links.push({ from: target, to: element, by });
        else
          broken(
            'reference to nothing',
            element,
            `${attribute} names “${id}”, and nothing has that id.`,
            'Draw the element it names, or leave the id out while it is not there.',
          );
      }
    }
    if (element instanceof HTMLFieldSetElement) {
      const legend = element.querySelector(':scope > legend');
      if (legend) links.push({ from: legend, to: element, by: 'legend' });
      else if (!element.hasAttribute('aria-label') && !element.hasAttribute('aria-labelledby'))
        broken('legend missing', element, 'The group has no legend.', 'Give the fieldset a legend as its first child.');
    }
    const anchor = element instanceof HTMLAnchorElement ? (element.getAttribute('href') ?? '') : '';
    if (anchor.startsWith('#') && anchor.length > 1) {
      const target = find(decodeURIComponent(anchor.slice(1)));
      if (target) links.push({ from: element, to: target, by: 'error summary' });
    }
  }
  const controls = elements
    .filter((element) => element.matches(control) && !isHidden(element))
    .map((element) => ({
      element,
      role: getRole(element) ?? '',
      name: computeAccessibleName(element),
      description: `${computeAccessibleDescription(element)} ${element.getAttribute('aria-description') ?? ''}`.trim(),
    }));
  for (const { element, role, name } of controls)
    if (name.trim() === '')
      broken(
        'no name',
        element,
        `The ${role === '' ? 'control' : role} has no name: nobody who does not see it knows what it is for.`,
        'Link a label to it with “for”, or name it with aria-labelledby.',
      );
  return { links, breaks, controls };
}

type Broken = (kind: BreakKind, element: Element, says: string, advice: string) => void;

function repeatedIds(elements: readonly Element[], broken: Broken): void {
  const seen = new Map<Node, Set<string>>();
  for (const element of elements) {
    if (element.id === '') continue;
    const tree = element.getRootNode();
    const own = seen.get(tree) ?? new Set();
    if (own.has(element.id))
      broken(
        'id twice',
        element,
        `The id “${element.id}” stands twice; every link to it leads to the first.`,
        'Derive ids from one base for each copy on the page.',
      );
    seen.set(tree, own.add(element.id));
  }
}

function labelLinks(
  label: HTMLLabelElement,
  find: (id: string) => Element | null,
  links: Link[],
  broken: Broken,
): void {
  if (label.parentElement?.closest('label'))
    broken('labels nested', label, 'A label stands inside a label.', 'A press on it reaches both; take one away.');
  const id = label.htmlFor;
  if (id === '') {
    const inner = label.querySelector(labelable);
    if (inner) links.push({ from: label, to: inner, by: 'label' });
    else
      broken(
        'label to nothing',
        label,
        'The label names no element and has none inside.',
        'Give it “for”, or put the control inside.',
      );
    return;
  }
  const target = find(id);
  if (!target)
    broken(
      'label to nothing',
      label,
      `The label is for “${id}”, and nothing has that id.`,
      'The input may keep the id on another element, or need to be told its id.',
    );
  else if (!target.matches(labelable) && !isFormAssociated(target))
    broken(
      'label to what takes none',
      label,
      `The label is for ${inShort(target)}, which takes no label.`,
      'Name the real element with aria-labelledby, and lead the focus there when the label is pressed.',
    );
  else if (isHidden(target))
    broken(
      'label to hidden',
      label,
      `The label is for ${inShort(target)}, which is hidden.`,
      'Link it to the element that a person works with.',
    );
  else links.push({ from: label, to: target, by: 'label' });
}

function isFormAssociated(element: Element): boolean {
  const maker = customElements.get(element.tagName.toLowerCase()) as { formAssociated?: boolean } | undefined;
  return maker?.formAssociated === true;
}
