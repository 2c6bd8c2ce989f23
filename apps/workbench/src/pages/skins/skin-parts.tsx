import { isObject, joinPointer, skinParts, skinPartSays, type SkinDescription, type SkinPart } from '@poietra/core';
import type { ReactNode } from 'react';
import { SlotText } from '../../parts/slot.js';
import { useKit } from '../../store/kit.js';

/** Which component a sentence names. @throws {TypeError} that says how it is written. */
export function componentFrom(text: string): string | undefined {
  const component = text.trim();
  if (component === '') return undefined;
  if (!/^[^#\s]+#[A-Za-z_$][\w$.-]*$/.test(component))
    throw new TypeError('Write package#Export, or package/module#a-tag, with a package of the project folder.');
  return component;
}

/** A JSON object from a sentence; nothing where nothing is said. */
export function objectFrom(text: string): Record<string, unknown> | undefined {
  if (text.trim() === '') return undefined;
  const value: unknown = JSON.parse(text);
  if (!isObject(value)) throw new TypeError('Write a JSON object: { "size": "small" }.');
  return value;
}

/** “type as htmlType, title as nothing”. */
const namesInWords = (names: Readonly<Record<string, string>>): string =>
  Object.entries(names)
    .map(([name, own]) => `${name} as ${own === '' ? 'nothing' : own}`)
    .join(', ');
function namesFrom(text: string): Record<string, string> | undefined {
  if (text.trim() === '') return undefined;
  return Object.fromEntries(
    text.split(',').map((said) => {
      const [, name, own] = /^\s*([\w-]+)\s+as\s+([\w-]+)\s*$/.exec(said) ?? [];
      if (name === undefined || own === undefined)
        throw new TypeError('Write “type as htmlType, title as nothing”: HTML’s name, then its own.');
      return [name, own === 'nothing' ? '' : own];
    }),
  );
}

const called: Readonly<Record<SkinPart, string>> = {
  label: 'labels',
  mark: 'marks of needed values',
  hint: 'hints',
  message: 'messages',
  group: 'groups',
  list: 'lists',
  tab: 'tabs',
  button: 'buttons',
  submit: 'the button that sends',
  summary: 'what is to be mended',
};
/** What stands in where the suite has nothing. */
const otherwise: Readonly<Partial<Record<SkinPart, SkinPart>>> = { list: 'group', submit: 'button' };

/** What of a form the skin draws beside the box around a field, a sentence a part; what is left to HTML stands in one. */
export function SkinPartSentences({
  name,
  skin,
}: {
  readonly name: string;
  readonly skin: SkinDescription;
}): ReactNode {
  const edit = useKit((state) => state.edit);
  const at = joinPointer('/skins', name);
  const { parts = {} } = skin;
  const component = (part: SkinPart, words?: string): ReactNode => (
    <SlotText
      label={skinPartSays[part]}
      value={parts[part]?.component ?? ''}
      words={words}
      onChange={(text) => {
        const wanted = componentFrom(text);
        const described = parts[part];
        edit(wanted === undefined ? `Skin ${name}: no ${part}` : `Skin ${name}: ${part}`, {
          [`${at}/parts/${part}`]: wanted === undefined ? undefined : { ...described, component: wanted },
        });
      }}
    />
  );
  return (
    <>
      {skinParts.map((part) => {
        const told = parts[part];
        const put = (member: string, value: unknown): void =>
          edit(`Skin ${name}: ${part}, ${member}`, { [`${at}/parts/${part}/${member}`]: value });
        return (
          told && (
            <p key={part}>
              {skinPartSays[part]} {component(part)}; it is told{' '}
              <SlotText
                label={`By which names: ${part}`}
                value={namesInWords(told.names ?? {})}
                words={told.names === undefined ? 'by HTML’s names' : undefined}
                onChange={(text) => put('names', namesFrom(text))}
              />{' '}
              and always has{' '}
              <SlotText
                label={`Properties: ${part}`}
                value={told.properties === undefined ? '' : JSON.stringify(told.properties)}
                words={told.properties === undefined ? 'nothing more' : undefined}
                onChange={(text) => put('properties', objectFrom(text))}
              />
              .
            </p>
          )
        );
      })}
      <p>
        Left to HTML:{' '}
        {skinParts
          .filter((part) => parts[part] === undefined)
          .map((part, i, all) => {
            const other = otherwise[part];
            return (
              <span key={part}>
                {component(part, other && parts[other] ? `${called[part]} (as ${called[other]})` : called[part])}
                {i < all.length - 1 ? ', ' : '.'}
              </span>
            );
          })}
      </p>
      <p>
        Around each of them stands{' '}
        <SlotText
          label="Around each of them"
          value={skin.around === undefined ? '' : JSON.stringify(skin.around)}
          words={
            skin.around === undefined ? 'nothing' : skin.around.map((wrapper) => wrapper.component).join(', then ')
          }
          onChange={(text) => edit(`Skin ${name}: around`, { [`${at}/around`]: aroundFrom(text) })}
        />
        .
      </p>
    </>
  );
}

/** `package#Export`, or JSON with properties and imports, as an adapter has it. */
function aroundFrom(text: string): SkinDescription['around'] {
  const typed = text.trim();
  if (!typed.startsWith('[')) {
    const component = componentFrom(typed);
    return component === undefined ? undefined : [{ component }];
  }
  const read: unknown = JSON.parse(typed);
  const isSound = (one: unknown): boolean => isObject(one) && typeof one['component'] === 'string';
  if (!Array.isArray(read) || !read.every(isSound))
    throw new TypeError('Write package#Export, or [{ "component": "package#Export", "properties": {} }].');
  return read as SkinDescription['around'];
}
