import { joinPointer, type SkinDescription } from '@poietra/core';
import { useMemo, useState, type ReactNode } from 'react';
import { useParams } from 'react-router';
import { FormFrame } from '../../parts/form-frame.js';
import { LinkList, type LinksTold } from '../../parts/link-list.js';
import { NoSuch } from '../../parts/no-such.js';
import { PartHead } from '../../parts/part-head.js';
import { partOf } from '../../parts/part-of.js';
import { SlotText } from '../../parts/slot.js';
import { Empty } from '../../parts/states.js';
import { OverForm } from '../../parts/over-form.js';
import { useDraftedSkins } from '../../store/drafted-skins.js';
import { useKit } from '../../store/kit.js';
import { componentFrom, objectFrom, SkinPartSentences } from './skin-parts.js';

/** A skin, as sentences, over a living form of the kit drawn with it. */
export function Component(): ReactNode {
  const { name = '' } = useParams();
  const skin = useKit(({ kit }) => partOf(kit.skins ?? {}, name));
  if (!skin) return <NoSuch what="skin" name={name} board="/skins" />;
  return <Skin key={name} name={name} skin={skin} />;
}

const without = {
  label: 'no property: it is drawn beside the input',
  labelFor: 'no property: the label is drawn as it is given',
  hint: 'no property: it is drawn beside the input',
  error: 'no property: it is drawn beside the input',
  required: 'no property: it is drawn beside the label',
} as const;
const words = [
  ['label', 'The label goes to'],
  ['labelFor', 'It draws a label of its own, which is for the id in'],
  ['hint', 'The hint goes to'],
  ['error', 'The message goes to'],
  ['required', 'That a value is needed goes to'],
] as const;

function Skin({ name, skin }: { readonly name: string; readonly skin: SkinDescription }): ReactNode {
  const { kit, edit } = useKit();
  const at = joinPointer('/skins', name);
  const [chosen, setChosen] = useState<string>();
  const [isTold, setTold] = useState(false);
  const [links, setLinks] = useState<LinksTold>();
  const formName = chosen ?? Object.keys(kit.forms)[0];
  const form = formName === undefined ? undefined : partOf(kit.forms, formName);
  const options = useMemo(
    () => ({ notes: false, copies: 1, submitLabel: '', width: 560, skin: name, allTold: isTold, links: true }),
    [name, isTold],
  );
  const put = (member: string, value: unknown): void =>
    edit(`Skin ${name}: ${member}`, { [`${at}/${member}`]: value === '' ? undefined : value });
  return (
    <div className="flex min-h-full flex-col lg:h-full">
      <PartHead kind="skins" name={name} />
      <div className="grid min-h-0 flex-1 gap-4 p-4 lg:grid-cols-[320px_minmax(0,1fr)]">
        <section aria-label="How it draws" className="grid grid-cols-[minmax(0,1fr)] content-start gap-1.5">
          <h2>How it draws</h2>
          <p>
            Each field stands inside{' '}
            <SlotText
              label="Component"
              value={skin.component ?? ''}
              words={skin.component === undefined ? 'no component: it is drawn as the plain skin does' : undefined}
              onChange={(text) => put('component', componentFrom(text))}
            />
            .
          </p>
          {skin.component !== undefined && (
            <>
              {words.map(([member, says]) => (
                <p key={member}>
                  {says}{' '}
                  <SlotText
                    label={says}
                    value={skin[member] ?? ''}
                    words={
                      skin[member] === undefined ? without[member] : skin[member] === '' ? 'no property' : undefined
                    }
                    onChange={(text) => put(member, text.trim())}
                  />
                  .
                </p>
              ))}
              {(
                [
                  ['properties', 'It always has the properties'],
                  ['invalid', 'Where the field has a problem it has instead'],
                ] as const
              ).map(([member, says]) => (
                <p key={member}>
                  {says}{' '}
                  <SlotText
                    label={says}
                    value={skin[member] === undefined ? '' : JSON.stringify(skin[member])}
                    words={skin[member] === undefined ? 'none' : undefined}
                    onChange={(text) => put(member, objectFrom(text))}
                  />
                  .
                </p>
              ))}
            </>
          )}
          <SkinPartSentences name={name} skin={skin} />
          <p className="text-[13px] text-ink-2">
            Press a word to change it. One word takes it into use: a form’s skin in its settings, or the hint “skin” at
            a section or a field.
          </p>
          <Evidence name={name} />
        </section>
        <section aria-label="Drawn" className="grid min-h-0 content-start gap-2 overflow-auto">
          <OverForm
            forms={kit.forms}
            name={formName}
            onChoose={(one) => {
              setLinks(undefined);
              setChosen(one);
            }}
            isTold={isTold}
            onTell={setTold}
          ></OverForm>
          {form && (
            <details className="text-[13px]">
              <summary className="cursor-pointer">
                {links === undefined
                  ? 'The links are being read …'
                  : links.breaks.length === 0
                    ? `${links.count} links, none broken`
                    : `${links.count} links, ${links.breaks.length === 1 ? 'one break' : `${links.breaks.length} breaks`}`}
              </summary>
              <LinkList told={links} />
            </details>
          )}
          {form ? (
            <div className="border border-hairline bg-sheet">
              <FormFrame
                key={`${formName} ${isTold}`}
                title={`Skin: ${name}`}
                form={form}
                options={options}
                onMessage={(message) => {
                  if (message.kind === 'links') setLinks(message);
                }}
              />
            </div>
          ) : (
            <Empty title="No form to draw">
              <p>As soon as the kit has a form, it is drawn here with this skin.</p>
            </Empty>
          )}
        </section>
      </div>
    </div>
  );
}

/** What spoke for each word when the skin was drafted, and what was tried in vain. */
function Evidence({ name }: { readonly name: string }): ReactNode {
  const drafted = useDraftedSkins(({ byName }) => partOf(byName, name));
  if (!drafted) return null;
  return (
    <>
      {(
        [
          ['What spoke for it', drafted.findings],
          ['What was tried, and is not used', drafted.passedOver],
        ] as const
      ).map(
        ([title, findings]) =>
          findings.length > 0 && (
            <details key={title} className="text-[13px]">
              <summary className="cursor-pointer">
                {title} ({findings.length})
              </summary>
              <ul className="grid gap-1 pt-1">
                {findings.map(({ says, evidence }, i) => (
                  <li key={i} className="border-l border-hairline pl-2">
                    {says} <span className="text-ink-2">{evidence}</span>
                  </li>
                ))}
              </ul>
            </details>
          ),
      )}
    </>
  );
}
