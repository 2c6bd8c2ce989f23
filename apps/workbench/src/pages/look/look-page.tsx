import { checkLook, lookCss, lookVariables, type FormDescription, type LookName, type LookValues } from '@poietra/core';
import { useMemo, useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { CopyButton } from '../../parts/copy-button.js';
import { FormFrame } from '../../parts/form-frame.js';
import { OverForm } from '../../parts/over-form.js';
import { SlotText } from '../../parts/slot.js';
import { Verdict } from '../../parts/verdict.js';
import { useKit } from '../../store/kit.js';
import { useView, type Theme } from '../../store/view.js';
import { contrast } from './contrast.js';

const names = Object.keys(lookVariables) as LookName[];
const themes: readonly Theme[] = ['light', 'dark'];

/** The variables of the plain skin, over a living form: what is set here goes along when the kit is handed over. */
export function Component(): ReactNode {
  const { kit, edit } = useKit();
  const { theme } = useView();
  const { look = {} } = kit;
  const [chosen, setChosen] = useState<string>();
  const [isTold, setTold] = useState(true);
  const name = chosen ?? Object.keys(kit.forms)[0];
  const form = (name === undefined ? undefined : kit.forms[name]) ?? sample;
  const options = useMemo(
    () => ({ notes: false, copies: 1, submitLabel: 'Send', width: 520, allTold: isTold }),
    [isTold],
  );
  const css = lookCss(look);
  return (
    <div className="flex min-h-full flex-col lg:h-full">
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hairline px-4 py-1.5">
        <h1>Look of the forms</h1>
        <span className="ml-auto flex flex-wrap items-center gap-1">
          {css !== '' && <CopyButton text={css} what="the style sheet" />}
          {css !== '' && (
            <Button look="quiet" onClick={() => edit('Look: all as usual', { '/look': undefined })}>
              All as usual
            </Button>
          )}
        </span>
      </header>
      <div className="grid min-h-0 flex-1 gap-4 p-4 lg:grid-cols-[minmax(0,560px)_minmax(0,1fr)]">
        <section aria-label="Variables" className="grid content-start gap-2 overflow-auto">
          <p className="text-ink-2">
            Press a word to set it; emptied, it is as usual again. What is set goes along as <code>look.css</code>.
          </p>
          <table className="w-full text-[13px]">
            <thead>
              <tr className="border-b border-hairline text-left">
                <th scope="col">Variable</th>
                {themes.map((one) => (
                  <th key={one} scope="col" className="w-36">
                    {one === 'light' ? 'Light' : 'Dark'}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {names.map((one) => (
                <Row key={one} name={one} />
              ))}
            </tbody>
          </table>
          <Contrasts />
        </section>
        <section aria-label="Drawn" className="grid min-h-0 content-start gap-2 overflow-auto">
          <OverForm forms={kit.forms} name={name} onChoose={setChosen} isTold={isTold} onTell={setTold}>
            <span className="text-[13px] text-ink-2">in the {theme} theme, as the workbench is now</span>
          </OverForm>
          <div className="border border-hairline bg-sheet">
            <FormFrame key={name} title="Look" form={form} options={options} />
          </div>
        </section>
      </div>
    </div>
  );
}

function Row({ name }: { readonly name: LookName }): ReactNode {
  const { kit, edit } = useKit();
  const { says, ...variable } = lookVariables[name];
  const put = (theme: Theme, text: string): void => {
    const value = text.trim();
    if (value !== '') checkLook(name, value);
    edit(
      `Look, ${theme}: ${says}`,
      { [`/look/${theme}/${name}`]: value === '' ? undefined : value },
      `look ${theme} ${name}`,
    );
  };
  return (
    <tr className="border-b border-hairline">
      <th scope="row" className="py-0.5 text-left font-normal">
        {says} <code className="block text-[12px] text-ink-2">--poietra-{name}</code>
      </th>
      {themes.map((theme) => {
        const set = kit.look?.[theme]?.[name];
        const own = theme === 'dark' && 'dark' in variable ? variable.dark : variable.usual;
        // What is set without a theme's own word holds in both.
        const usual = (theme === 'dark' ? kit.look?.light?.[name] : undefined) ?? own;
        const label = `${says}, ${theme}`;
        return (
          <td key={theme}>
            <span className="flex items-center gap-1">
              {variable.kind === 'colour' && (
                <Swatch label={label} value={set ?? usual} onChange={(colour) => put(theme, colour)} />
              )}
              <SlotText
                label={label}
                value={set ?? ''}
                words={set === undefined ? usual : undefined}
                onChange={(text) => put(theme, text)}
              />
            </span>
          </td>
        );
      })}
    </tr>
  );
}

/** The browser's own box for colours, where the colour is one that it can hold. */
function Swatch({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  onChange(colour: string): void;
}): ReactNode {
  const isPlain = /^#[0-9a-f]{6}$/i.test(value);
  if (!isPlain) return <span aria-hidden="true" className="size-6 border border-edge" style={{ background: value }} />;
  return (
    <input
      type="color"
      aria-label={`Colour of ${label}`}
      className="size-6 cursor-pointer border border-edge p-0"
      value={value.toLowerCase()}
      onChange={({ target }) => onChange(target.value)}
    />
  );
}

const pairs: readonly (readonly [LookName, least: number, says: string])[] = [
  ['ink', 4.5, 'Text'],
  ['ink-2', 4.5, 'Hints'],
  ['bad', 4.5, 'Messages'],
  ['line', 3, 'Borders of inputs'],
  ['focus', 3, 'The ring of the focus'],
];

/** What the colours make of each other on the ground of inputs, and whether it is enough (WCAG 2.2, 1.4.3 and 1.4.11). */
function Contrasts(): ReactNode {
  const look = useKit(({ kit }) => kit.look);
  const value = (theme: Theme, name: LookName): string => {
    const variable = lookVariables[name];
    const set: LookValues = { ...look?.light, ...(theme === 'dark' ? look?.dark : {}) };
    return set[name] ?? (theme === 'dark' && 'dark' in variable ? variable.dark : variable.usual);
  };
  return (
    <section aria-label="Contrast" className="grid gap-1">
      <h2>Contrast with the ground of inputs</h2>
      <ul className="grid gap-x-4 text-[13px] sm:grid-cols-2">
        {themes.flatMap((theme) =>
          pairs.map(([name, least, says]) => {
            const ratio = contrast(value(theme, name), value(theme, 'sheet'));
            return (
              <li key={theme + name}>
                <Verdict kind={ratio === undefined ? 'unknown' : ratio >= least ? 'pass' : 'fail'}>
                  {says}, {theme}:{' '}
                  {ratio === undefined ? 'cannot be reckoned here' : `${ratio.toFixed(1)} : 1, wanted ${least}`}
                </Verdict>
              </li>
            );
          }),
        )}
      </ul>
    </section>
  );
}

/** Where the kit has no form yet. */
const sample: FormDescription = {
  title: 'Look',
  schema: {
    type: 'object',
    required: ['name'],
    properties: {
      name: { title: 'Name', type: 'string', description: 'As it stands on the bill.' },
      port: { title: 'Port', enum: ['Aldervik', 'Hareby'] },
      hazardous: { title: 'Hazardous', type: 'boolean' },
      cargo: { title: 'Cargo', type: 'array', items: { type: 'string' }, minItems: 1 },
    },
  },
};
