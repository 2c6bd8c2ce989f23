import type { Kit } from '../kit/index.js';
import { fileNames, Names, typeName, valueName } from './source.js';

/** What a part of the kit is called in source. */
export interface Called {
  readonly file: string;
  readonly value: string;
  readonly type: string;
}
type Part = 'adapters' | 'codecs' | 'forms';

/** Names that modules of the hand-over import or declare besides: no part of the kit may be called so. */
const taken =
  'List Chooser More Opened Tabs Steps Remote groupInputs listInputs comboInputs fileInputs written writtenForm de nb wordsAs ' +
  'adapt adaptTogether later AdapterDescription CodecDescription CodecCode codecFromCode codes makeCodec PlanRules rules planAt Form ' +
  'HintsBeside OwnHintUse Outcome DrawnForm prepareForm useState ReactNode schema hints inputs messages ownHints ownWords drawOwnHints prepared ' +
  'options opened own compact sendTo SendDescription SendOptions skins address maker codecBy asComponent accepts validate ' +
  'values send form code cases test deepEqual runCase Case row result Promise Record Readonly Object JSON Array React';

/** How the parts of a kit are called in source: each differently, whatever they are called in the kit. */
export function called(kit: Kit, part: Part): ReadonlyMap<string, Called> {
  const names = Object.keys(kit[part]);
  const files = fileNames(names);
  const [values, types] = [new Names(taken.split(' ')), new Names(taken.split(' '))];
  return new Map(
    names.map((name) => {
      const file = files.get(name) ?? name;
      return [name, { file, value: values.give(valueName(name)), type: types.give(typeName(name), 'Record') }];
    }),
  );
}
