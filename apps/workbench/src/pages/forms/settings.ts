/** A form's settings as a form of their own: what it shows, and what of the kit that means. */
import { isObject, ownMember, type FormDescription, type SendDescription } from '@poietra/core';

const text = (title: string, more: object = {}): object => ({ title, type: 'string', ...more });
const path = { pattern: '^/[^/\\s]?[^\\s]*$' };
const method = { pattern: '^[A-Z]{2,10}$' };
const header = { pattern: '^[A-Za-z0-9-]{1,60}$' };

/** The JSON Schema of the settings; skins are those of the kit. */
export function settingsSchema(skins: readonly string[]): unknown {
  return {
    type: 'object',
    'x-poietra': { order: ['address', 'sending'] },
    dependentSchemas: {
      address: {
        properties: {
          sending: {
            title: 'How it is sent',
            type: 'object',
            properties: {
              key: text('Member of the answer that names the record', { minLength: 1, examples: ['id'] }),
              methodHeader: text('Header that names the method, where only GET and POST pass', {
                ...header,
                examples: ['X-HTTP-Method'],
              }),
              methods: {
                title: 'Methods, where they are not the usual ones',
                type: 'object',
                'x-poietra': { layout: 'grid', fold: 'closed' },
                properties: {
                  create: text('To create', { ...method, examples: ['POST'], 'x-poietra': { span: 3 } }),
                  replace: text('To replace', { ...method, examples: ['PUT'], 'x-poietra': { span: 3 } }),
                  change: text('To change', { ...method, examples: ['PATCH'], 'x-poietra': { span: 3 } }),
                  delete: text('To delete', { ...method, examples: ['DELETE'], 'x-poietra': { span: 3 } }),
                },
              },
              token: {
                title: 'Token against forged requests',
                type: 'object',
                'x-poietra': { layout: 'grid', fold: 'closed' },
                dependentRequired: {
                  path: ['member', 'header'],
                  member: ['path', 'header'],
                  header: ['path', 'member'],
                },
                properties: {
                  path: text('Is fetched from', { ...path, 'x-poietra': { span: 4 } }),
                  member: text('In the member', { minLength: 1, 'x-poietra': { span: 4 } }),
                  header: text('Goes into the header', { ...header, 'x-poietra': { span: 4 } }),
                },
              },
            },
          },
        },
      },
    },
    properties: {
      address: text('Sends to', {
        ...path,
        description: 'An address on the server of the application, like /company/bookings. Empty: it is sent nowhere.',
        examples: ['/company/bookings'],
      }),
      tell: {
        title: 'Problems are told',
        oneOf: [
          { const: 'leave', title: 'when a field is left' },
          { const: 'change', title: 'with every change' },
          { const: 'submit', title: 'only after sending was tried' },
        ],
      },
      hidden: {
        title: 'Values of fields that are not there',
        oneOf: [
          { const: 'drop', title: 'are not sent' },
          { const: 'keep', title: 'are sent all the same' },
        ],
      },
      accepted: text('Said once it was accepted', {
        maxLength: 1000,
        description: '{number} and the like are members of the answer.',
        examples: ['Booked as {number}.'],
      }),
      skin: { title: 'Skin', enum: ['plain', 'compact', ...skins] },
      language: text('Language in which it speaks', {
        pattern: '^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*$',
        description: 'As HTML names languages. There are words in en, de and nb; messages of its own go before them.',
        examples: ['en'],
      }),
      messages: {
        title: 'Messages of its own, by language',
        type: 'object',
        'x-poietra': { fold: 'closed' },
        additionalProperties: {
          type: 'object',
          title: 'By keyword of the schema',
          description: '“required”, “minLength”, “parse” …; {limit} and the like stand for the keyword’s own value.',
          additionalProperties: { type: 'string', maxLength: 1000 },
        },
      },
    },
  };
}

/** The settings that a form has. */
export function settingsOf(form: FormDescription): unknown {
  const { send, tell = 'leave', hidden = 'drop', skin = 'plain', accepted, language, messages } = form;
  const { path: address, ...sending } = send ?? {};
  return {
    ...(address === undefined ? {} : { address, sending }),
    tell,
    hidden,
    skin,
    ...(accepted === undefined ? {} : { accepted }),
    ...(language === undefined ? {} : { language }),
    ...(messages === undefined ? {} : { messages }),
  };
}

/** The members of the form that settings stand for. What is as it is without a word is not written. */
export function fromSettings(
  settings: unknown,
): Pick<FormDescription, 'send' | 'tell' | 'hidden' | 'accepted' | 'skin' | 'language' | 'messages'> {
  const given = isObject(settings) ? settings : {};
  const { address, sending, tell, hidden, accepted, skin, language, messages } = given;
  const kept: Record<string, unknown> = {
    send: typeof address === 'string' && address !== '' ? sendFrom(address, sending) : undefined,
    tell: tell === 'leave' ? undefined : tell,
    hidden: hidden === 'drop' ? undefined : hidden,
    accepted: accepted === '' ? undefined : accepted,
    skin: skin === 'plain' ? undefined : skin,
    language: language === '' ? undefined : language,
    messages: isObject(messages) && Object.keys(messages).length > 0 ? messages : undefined,
  };
  return kept;
}

/** The name under which most servers know a record. */
const usualKey = 'id';

function sendFrom(address: string, sending: unknown): SendDescription {
  const given = isObject(sending) ? sending : {};
  const key = ownMember(given, 'key');
  const some = (member: string): unknown => {
    const value = ownMember(given, member);
    return isObject(value) && Object.keys(value).length === 0 ? undefined : value;
  };
  const rest = { methodHeader: some('methodHeader'), methods: some('methods'), token: some('token') };
  return {
    path: address,
    key: typeof key === 'string' ? key : usualKey,
    ...Object.fromEntries(Object.entries(rest).filter(([, value]) => value !== undefined)),
  };
}
