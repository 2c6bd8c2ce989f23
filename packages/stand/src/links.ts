/** The links of a page: labels, hints and messages to the elements they are for. Each break is named and explained. */
import { everyElement } from '@poietra/react';
import { computeAccessibleDescription, computeAccessibleName, getRole } from 'dom-accessibility-api';

export type BreakKind =
  | 'id twice'
  | 'id with a space'
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
  /** Of which form of the page it is, from 1; 0 outside of any. */
  readonly copy: number;
  /** The names of the groups around it, outermost first. */
  readonly groups: readonly string[];
  /** What its labels say; empty without one. */
  readonly label: string;
  /** The first control of a widget that has several; nothing where it stands for itself. */
  readonly partOf: Element | undefined;
}
export interface IdsOfPage {
  readonly count: number;
  /** What the ids of each form begin with, each once: two forms with one base would share ids. */
  readonly bases: readonly string[];
  /** Those that a selector has to escape. */
  readonly escaped: readonly string[];
}
export interface LinkMap {
  readonly links: readonly Link[];
  readonly breaks: readonly LinkBreak[];
  /** In the order of the page, which is the order of Tab where nobody changes it. */
  readonly controls: readonly LinkedControl[];
  readonly ids: IdsOfPage;
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
  const forms = elements.filter((element) => element instanceof HTMLFormElement);
  const controls = linkedControls(elements, forms);
  for (const { element, role, name } of controls)
    if (name.trim() === '')
      broken(
        'no name',
        element,
        `The ${role === '' ? 'control' : role} has no name: nobody who does not see it knows what it is for.`,
        'Link a label to it with “for”, or name it with aria-labelledby.',
      );
  return { links, breaks, controls, ids: idsOf(elements, forms) };
}

function linkedControls(elements: readonly Element[], forms: readonly Element[]): LinkedControl[] {
  const firstOf = new Map<Element, Element>();
  return elements
    .filter((element) => element.matches(control) && !isHidden(element))
    .map((element) => {
      const widget = element.closest('.poietra-field, [role=radiogroup], [role=grid]');
      const first = widget ? (firstOf.get(widget) ?? element) : element;
      if (widget) firstOf.set(widget, first);
      const labels = 'labels' in element ? [...((element.labels as NodeListOf<Element> | null) ?? [])] : [];
      const form = element.closest('form');
      return {
        element,
        role: getRole(element) ?? '',
        name: computeAccessibleName(element),
        description:
          `${computeAccessibleDescription(element)} ${element.getAttribute('aria-description') ?? ''}`.trim(),
        copy: form ? forms.indexOf(form) + 1 : 0,
        groups: groupsAround(element),
        label: labels.map((label) => label.textContent.trim()).join(' '),
        partOf: first === element ? undefined : first,
      };
    });
}

function groupsAround(element: Element): string[] {
  const groups: string[] = [];
  for (let at = element.parentElement; at; at = at.parentElement) {
    if (!at.matches('fieldset, [role=group]')) continue;
    const name = computeAccessibleName(at).trim();
    if (name !== '') groups.unshift(name);
  }
  return groups;
}

function idsOf(elements: readonly Element[], forms: readonly Element[]): IdsOfPage {
  const ids = elements.map(({ id }) => id).filter((id) => id !== '');
  const bases = forms.map((form) => commonStart([...form.querySelectorAll('.poietra-field [id]')].map(({ id }) => id)));
  return {
    count: ids.length,
    bases: [...new Set(bases.filter((base) => base !== ''))],
    escaped: [...new Set(ids.filter((id) => !isIdentifier.test(id)))],
  };
}
/** Up to the last dash that all have in common: a part of a name is no base. */
function commonStart([first = '', ...rest]: readonly string[]): string {
  let length = first.length;
  for (const one of rest) while (!one.startsWith(first.slice(0, length))) length--;
  return first.slice(0, Math.max(0, first.slice(0, length).lastIndexOf('-')));
}
/** An identifier of CSS (CSS Syntax 3, 4.3.11): such an id stands in a selector as it is. */
const isIdentifier = /^(?:--|-?[A-Za-z_\u0080-\uffff])[\w\u0080-\uffff-]*$/;

type Broken = (kind: BreakKind, element: Element, says: string, advice: string) => void;

function repeatedIds(elements: readonly Element[], broken: Broken): void {
  const seen = new Map<Node, Set<string>>();
  for (const element of elements) {
    if (element.id === '') continue;
    if (/\s/.test(element.id))
      broken(
        'id with a space',
        element,
        `The id “${element.id}” holds a space; a list of ids takes it for several, so nothing can refer to it.`,
        'Make ids of letters, digits, “-” and “_” alone.',
      );
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
