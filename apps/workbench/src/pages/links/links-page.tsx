import { useMemo, useRef, useState, type ReactNode } from 'react';
import { FormFrame } from '../../parts/form-frame.js';
import { LinkList, type LinksTold } from '../../parts/link-list.js';
import { Failed } from '../../parts/states.js';
import { StandFrame } from '../../parts/frames.js';
import type { Post } from '../../parts/stand-frame.js';
import { useKit } from '../../store/kit.js';

const example = `<form>
  <label for="port">Port of landing</label>
  <input id="port" aria-describedby="port-hint">

  <label for="deck">Deck length</label>
  <div id="deck"><input></div>
</form>`;

/** The link map: lines from labels, hints and messages to what they are for, over a form of the kit or any page of HTML. */
export function Component(): ReactNode {
  const forms = useKit(({ kit }) => kit.forms);
  const [chosen, setChosen] = useState<string>();
  const name = chosen ?? Object.keys(forms)[0] ?? '';
  const form = forms[name];
  const [html, setHtml] = useState(example);
  const [told, setTold] = useState<LinksTold>();
  const [fromServer, setFromServer] = useState(false);
  const [failed, setFailed] = useState<string>();
  const post = useRef<Post>(undefined);
  const options = useMemo(
    () => ({ notes: false, copies: 2, submitLabel: '', width: 480, links: true, allTold: true }),
    [],
  );
  const isPage = name === '' || form === undefined;
  return (
    <div className="grid gap-4 p-4 xl:grid-cols-[540px_minmax(0,1fr)]">
      <div className="grid content-start gap-3">
        <div className="flex flex-wrap items-baseline gap-3">
          <h1>Links</h1>
          <label className="flex items-center gap-2">
            of
            <select
              className="rounded-sm border border-edge bg-sheet px-1 py-0.5"
              value={name}
              onChange={(event) => {
                setTold(undefined);
                setChosen(event.target.value);
              }}
            >
              {Object.entries(forms).map(([id, { title }]) => (
                <option key={id} value={id}>
                  {title}, twice on the page
                </option>
              ))}
              <option value="page of HTML">a page of HTML</option>
            </select>
          </label>
          {!isPage && (
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                checked={fromServer}
                onChange={(event) => {
                  setTold(undefined);
                  setFailed(undefined);
                  setFromServer(event.target.checked);
                }}
              />
              drawn by the server first, and compared
            </label>
          )}
        </div>
        {failed !== undefined && <Failed title="The links cannot be compared" message={failed} />}
        {isPage ? (
          <>
            <label className="grid gap-1">
              Paste the HTML here; scripts in it do not run.
              <textarea
                className="mono h-48 rounded-sm border border-edge bg-sheet p-2"
                spellCheck={false}
                value={html}
                onChange={(event) => {
                  setHtml(event.target.value);
                  post.current?.({ kind: 'page', html: event.target.value });
                }}
              />
            </label>
            <div className="border border-hairline">
              <StandFrame
                title="Page of HTML"
                inputs={[]}
                minHeight={240}
                onReady={(ready) => {
                  post.current = ready;
                  ready({ kind: 'page', html });
                }}
                onMessage={(message) => {
                  if (message.kind === 'links') setTold(message);
                }}
              />
            </div>
          </>
        ) : (
          <div className="border border-hairline">
            <FormFrame
              key={`${name} ${String(fromServer)}`}
              fromServer={fromServer}
              title={`Links of ${form.title}`}
              form={form}
              options={options}
              onMessage={(message) => {
                if (message.kind === 'links') setTold(message);
                else if (message.kind === 'failed') setFailed(message.message);
              }}
            />
          </div>
        )}
        <p className="text-[13px] text-ink-2">
          Point at a field, or go into it, and its links are drawn: <span className="text-held">―</span> label or name,{' '}
          <span className="text-sent">- -</span> hint or message, <span className="text-shown">···</span> legend or
          error summary
        </p>
      </div>
      <LinkList told={told} />
    </div>
  );
}
