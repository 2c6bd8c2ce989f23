import type { ReactNode } from 'react';
import { plain, type Skin } from './skin.js';
import { SkinnedField, type PlaceProps } from './skinned-field.js';

/** One field, in the plain skin where none is given. */
export function Place({ skin = plain, ...props }: PlaceProps & { readonly skin?: Skin | undefined }): ReactNode {
  return <SkinnedField {...props} skin={skin} />;
}
