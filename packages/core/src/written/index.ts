/**
 * What forms that were written out are opened and sent with, and the parts of the libraries that they use, each on its
 * own: a hand-over names those that its form needs, and its application carries no other. Nothing here leads to what is
 * fetched later: a bundler that divides by files would take that along for every application.
 */
export type { WrittenForm, WrittenNode, WrittenPart, WrittenRule, WrittenTest } from './nodes.js';
export { ownNames } from './own-names.js';
export { readWritten, type OpenWrittenOptions, type ReadyForm, type WrittenBeside } from './open.js';

export { canonical, equalJson } from '../json/index.js';
export { compilePattern, fillDefaults, standardFormats } from '../schema/index.js';
export { isMultiple } from '../schema/keywords/numbers.js';
export { lengthOf } from '../schema/keywords/length.js';

export { asIs as sameMaker, boolean as booleanMaker, text as textMaker } from '../codec/plain.js';
export { json as jsonMaker, slug as slugMaker, trimmed as trimmedMaker } from '../codec/texts.js';
export {
  integer as integerMaker,
  money as moneyMaker,
  number as numberMaker,
  quantity as quantityMaker,
} from '../codec/numbers.js';
export {
  date as dateMaker,
  dateTime as dateTimeMaker,
  epoch as epochMaker,
  time as timeMaker,
} from '../codec/dates.js';
export {
  choice as choiceMaker,
  chosen as chosenMaker,
  file as fileMaker,
  list as listMaker,
  parts as partsMaker,
} from '../codec/compound.js';
export { steps as stepsMaker } from '../codec/steps.js';
export { codeMakers } from '../codec/code.js';

export { attend } from '../form/attend.js';
export { FormExpressions } from '../form/computed.js';
export { Moves } from '../form/moves.js';
export { normalWhileTyping } from '../form/normal.js';
export { checksOf, kindAmong, sendTo } from '../plan/index.js';
export { celExpressions } from '../expression/cel.js';
export { writtenExpressions } from '../expression/computing.js';
export { logic } from '../expression/logic.js';
export { loops } from '../expression/loops.js';
export { optionals } from '../expression/members.js';
export { operators } from '../expression/operators.js';
export { listFunctions, numberFunctions, sizes, textFunctions } from '../expression/functions.js';
export { de } from '../words/de.js';
export { nb } from '../words/nb.js';
export { wordsAs } from '../words/tags.js';
