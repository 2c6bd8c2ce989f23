/** What names of general use say: which properties hold a value, which exports are no inputs. No package is known by name. */
import { isColour, valueNames, type DeclaredProperty } from '@poietra/core';

/** Properties of every HTML element; they say nothing about an input, and there are hundreds of them. */
export const everywhere =
  /^(aria-|data-|on(Capture|Copy|Cut|Paste|Composition|Key|Mouse|Touch|Pointer|Wheel|Animation|Transition|Drag|Drop|Scroll|Load|Error|Abort|Can|Duration|Emptied|Encrypted|Ended|Loaded|Pause|Play|Progress|RateChange|Seek|Stalled|Suspend|TimeUpdate|Volume|Waiting|Got|Lost|Click|DoubleClick|AuxClick|ContextMenu|Submit|Reset|BeforeInput|BeforeToggle|Toggle)|style$|className$|children$|key$|ref$|dangerouslySetInnerHTML$|suppress|slot$|is$|inner|prefix$|property$|rel$|resource$|rev$|typeof$|vocab$|about$|content$|datatype$|inlist$|item[A-Z]|results$|security$|unselectable$|popover|exportparts$|part$|nonce$|radioGroup$|translate$|spellCheck$|access|auto(Capitalize|Correct|Save)|contentEditable$|contextMenu$|dir$|draggable$|enterKeyHint$|inert$|lang$|role$|title$|color$)/;
export const telling = new RegExp(`^(${valueNames.join('|')})$`);
/** Options of a widget that take the element on which it is made. */
export const placeNames = /^(el|element|field|input|select|target|container|node|parent|root|host|mount)$/;
/** Properties for the list of choices. */
export const listNames = ['collection', 'items', 'options', 'data', 'dataSource', 'choices'];

const anyOf = (names: string): string => `(?:${names.trim().split(/\s+/).join('|')})`;
/** Names, or their ends, of what leads somewhere or shows something. */
const leading = anyOf(`
  Tabs? TabList Accordion Paginat(?:ion|or) Breadcrumbs? Nav(?:Bar|Link)? Navigation Navigator\\w* Menu Tooltip Tour Stepper Steps Popover
  Dialog Drawer Modal Visibility Reorder(?:Item|Group)? Side[Bb]ar Preview \\w*Provider \\w*Container Carousel Table(?:View)? Grid Chart Toolbar Layout Shortcuts MenuToggle Icon ControlLabel Popover(?:Button|Content) BarList Collapse Wizard Skeleton Relative(?:Time|Date) Row Cell Node Day
  (?<!Group|Toggle|Check|Checkbox|Radio|Switch)Item(?:Base)? Handle Thumb`);
/** What begins the names of the parts of such a thing. */
const leadingParts = anyOf(
  '\\w*TreeView SubNav Clipboard Navigation\\w* Pagination Carousel Breadcrumb Nav Accordion Tabs? DataTable Table(?=Select(?:All|Row)|Toolbar|Head|Body|Row|Cell|Column|Content|Footer) Menu(?=Search|Checkbox|Radio|Item|Toggle|Option)',
);
/** What is only a look or moves one, keeps its own state and takes none, or is not meant to be used. */
const setAside =
  '(?:Styled|Stateful|Uncontrolled)[A-Z]\\w*|Hidden(?:Checkbox|Radio|Input|Select|Switch)|\\w+_DO_NOT_USE|\\w*[Aa]nimat(?:e|ion)(?:[A-Z]\\w*)?';
/** Whole names: shows and boxes around others, and parts of what opens. */
const around = anyOf(`
  Form(?:Item|List|Provider|Field)? Option \\w*(?:HiddenInput|HiddenSelect|BubbleInput|ItemInput) Progress(?:Bar|Circle|Ring)?(?:Root)? Meter Clipboard Qr[Cc]ode Toolbar Galler(?:y|ia) (?:Icon|Pills?)(?:Input)?Field OrderList Token`);
/** What stands beside a list or opens it, where it has no choices of its own. */
export const besideList = /^(?:Combobox|Select|Dropdown)(?:Search|Target|Trigger)$/;
/** What leads somewhere or shows something has a value, too, and takes none from a person. */
export const noInputs = new RegExp(
  `(?:^(?:[A-Z]{2,4})?|[a-z])${leading}$|^${leadingParts}(?:[A-Z]|$)|^${around}$|^(?:${setAside})$`,
);
/** How a package marks what may still change; its name comes after. */
export const unsettled = /^_*(?:experimental|EXPERIMENTAL_|unstable|UNSTABLE_|unsafe|UNSAFE_)_*(?=[A-Z])|^_+(?=[A-Z])/;
/** The same of exports that hang on no other; `Checkbox.Card` is one to be ticked. */
export const noInputsAlone = /^(Cards?|Tree)$/;
/** How the names of parts end that stand inside an input of the name before: `TagPickerList`, `TextInputBase`. */
export const partEnds =
  /(\.(?:Text)?(?:Input|Field)|List|Input(?:Single|Multi)?|Field|Textarea|(?<!Radio|Check|Checkbox|Toggle|Select|Upload|File)Button|\.?(?:Option|Item|Trigger|Content|Handle|Thumb)|Base)$/;
/** Of elements that declare a value: those that are pressed, lead somewhere, show something, or are a part of another. */
export const noInputTags =
  /(?<!radio|check|toggle)-button(?:-(?!group|toggle|radio|check|switch)\w+)?$|^[a-z]+-(form|fieldset|field)$|-(accordion|accordion-group|carousel|collapse|navigation(?:-(?:bar|rail|drawer))?|pagination|steps|breadcrumbs?|sidebar|progress\w*(?:-\w+)?|static-?(?:checkbox|radio|toggle|switch)|menuitem\w*|menu-item-\w+|pseudo-\w+|split-pane|(?:month|year)-view|button-segment|control-action|(?<!input-)tag|picker-column|tab|tab-(?:header|title|bar)|tabs|meter|loader|(?:workflow-)?step|tree-node|region|ripple|item|row|cell|\w*option|icon(?!-(?:toggle|check|radio))(?:-\S*)?|fab|divider|badge|menu|dialog|visual-\w+|picker-toggle|(?:clear|next|previous|prev)(?:-(?:day|month|year))?|card(?:-\S*)?|chip-set|link|handle|thumb|table-selection\S*|row-expandable)$/;

/** Whether some callback gives a value of the type; a colour that none gives is only a look. */
export const isReported = (type: string, properties: readonly DeclaredProperty[]): boolean => {
  const plain = (text: string): string => text.replace(/\s*\|\s*(undefined|null)\b/g, '').trim();
  return properties.some(
    ({ name, args, inherited }) =>
      /^on.*(Change|Select|Input|Update)/.test(name) &&
      !inherited &&
      args?.some((arg) => plain(arg.type) === plain(type) || isColour(arg)),
  );
};
