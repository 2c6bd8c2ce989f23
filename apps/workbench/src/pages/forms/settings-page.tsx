import { joinPointer, type FormDescription } from '@poietra/core';
import { useMemo, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { Button } from '../../parts/button.js';
import { pathOf } from '../../parts/kit-part.js';
import { NoSuch } from '../../parts/no-such.js';
import { PartHead } from '../../parts/part-head.js';
import { partOf } from '../../parts/part-of.js';
import { SettingsForm } from '../../parts/settings-form.js';
import { recordsAddress } from '../../store/ask.js';
import { useKit } from '../../store/kit.js';
import { fromSettings, settingsOf, settingsSchema } from './settings.js';

/** Where a form sends, when it tells problems, in which words: everything of it that is neither schema nor hints. */
export function Component(): ReactNode {
  const { name = '' } = useParams();
  const form = useKit(({ kit }) => partOf(kit.forms, name));
  if (!form) return <NoSuch what="form" name={name} board="/forms" />;
  return <Settings key={name} name={name} form={form} />;
}

function Settings({ name, form }: { readonly name: string; readonly form: FormDescription }): ReactNode {
  const { kit, edit } = useKit();
  const skins = JSON.stringify(Object.keys(kit.skins ?? {}));
  const schema = useMemo(() => settingsSchema(JSON.parse(skins) as string[]), [skins]);
  const at = joinPointer('/forms', name);
  const take = (settings: unknown, label = `Settings of ${form.title}`): void =>
    edit(
      label,
      Object.fromEntries(Object.entries(fromSettings(settings)).map(([member, value]) => [`${at}/${member}`, value])),
      `settings of ${name}`,
    );
  const isElsewhere = form.send !== undefined && recordsAddress(form.send) === undefined;
  return (
    <div>
      <PartHead kind="forms" name={name}>
        <Link to={pathOf('forms', name)}>Back to its proof</Link>
      </PartHead>
      <section aria-label="Settings" className="max-w-2xl p-4">
        {form.send === undefined && (
          <p className="mb-3 flex flex-wrap items-center gap-2 border-l-4 border-warn bg-sheet px-3 py-2">
            The form has no address yet, so it can be filled in but not sent.
            <Button
              onClick={() =>
                take(
                  { ...(settingsOf(form) as object), address: `/company/own-${name}`, sending: { key: 'number' } },
                  `Address of ${form.title}`,
                )
              }
            >
              Send it to the demo company
            </Button>
          </p>
        )}
        {isElsewhere && (
          <p className="mb-3 border-l-4 border-warn bg-sheet px-3 py-2">
            “{form.send.path}” is for your application. The workbench itself sends only to the demo company, below
            /company/: here the form is filled in and proved, not sent.
          </p>
        )}
        <SettingsForm schema={schema} value={settingsOf(form)} onChange={take} />
      </section>
    </div>
  );
}
