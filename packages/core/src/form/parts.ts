import { fillDefaults } from '../schema/index.js';
import { attend } from './attend.js';
import { FormExpressions } from './computed.js';
import { Moves } from './moves.js';
import { normalWhileTyping } from './normal.js';
import type { FormParts } from './prepare.js';

/** What many forms need, but not every one. */
export const formParts: FormParts = {
  attend,
  moves: (form) => new Moves(form),
  normal: normalWhileTyping,
  fill: fillDefaults,
  express: (...args) => new FormExpressions(...args),
};
