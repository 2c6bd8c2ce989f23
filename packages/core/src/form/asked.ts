/** What the text of a schema with its hints asks of a form: nothing of the form has to be there to tell. */

/** Whether a schema or its hints, as text, have expressions: what is loaded for them is not little. */
export const asksExpressions = (text: string): boolean => /"(condition|computed|rules)":/.test(text);

/** Whether they have a server asked about values. */
export const asksServers = (text: string): boolean => text.includes('"check":');

/** Whether they ask for more than fields and groups: lists, choices, boxes, defaults, texts put right while they are typed. */
export const asksParts = (text: string): boolean =>
  /"(array|items|prefixItems|oneOf|anyOf|normal|input)"|"type":\[|"default":/.test(text);
