/** What the content keywords say of a text. */
import { checkContent } from '../content.js';
import type { Messages } from '../messages.js';
import { assertion, bits, type Family, type Keyword } from './context.js';

/** Draft 7 lets content be checked; later drafts leave it as an annotation. Both are checked by the same option as formats. */
const content: Keyword = (context) => {
  const { contentEncoding, contentMediaType } = context.raw;
  if (!context.assertFormats || (context.keyword === 'contentMediaType' && contentEncoding !== undefined))
    return undefined;
  if (context.dialect.draft !== 7) return undefined;
  return assertion(
    context,
    bits.string,
    (value: string) => checkContent(value, contentEncoding, contentMediaType) === undefined,
    () => ({ contentEncoding, contentMediaType }),
  );
};

const english: Messages = {
  contentEncoding: 'Is not {contentEncoding} text.',
  contentMediaType: 'Is not {contentMediaType}.',
};

export const family: Family = { keywords: { contentEncoding: content, contentMediaType: content }, english };
