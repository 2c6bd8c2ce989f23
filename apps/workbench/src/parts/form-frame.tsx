import type { FormDescription, Snapshot } from '@poietra/core';
import { useEffect, useMemo, useRef, type ReactNode } from 'react';
import type { FromFrame } from '../sandbox/checked.js';
import type { FormToOpen } from '../sandbox/messages.js';
import { askElsewhere } from '../store/hosts.js';
import { useKit } from '../store/kit.js';
import { StandFrame } from './frames.js';
import type { Post } from './stand-frame.js';
import { Busy } from './states.js';
import { bundledFor, formToOpen, renderedForm } from './form-open.js';
import { useCodes } from './use-codes.js';

interface Props {
  readonly title: string;
  readonly form: FormDescription;
  readonly options: Pick<FormToOpen, 'notes' | 'copies'> &
    Partial<
      Pick<
        FormToOpen,
        | 'submitLabel'
        | 'width'
        | 'values'
        | 'restore'
        | 'skin'
        | 'rightToLeft'
        | 'allTold'
        | 'links'
        | 'editing'
        | 'palette'
        | 'disabled'
        | 'page'
      >
    >;
  /** The server draws it first, and the frame takes that over. */
  readonly fromServer?: boolean;
  onMessage?(message: FromFrame, post: Post): void;
  onReady?(post: Post): void;
}

/** A form of the kit, drawn in a frame with the project's own inputs. It follows every change of its description. */
export function FormFrame({ title, form, options, fromServer = false, onMessage, onReady }: Props): ReactNode {
  const kit = useKit((state) => state.kit);
  const codes = useCodes(kit.codecs);
  const post = useRef<Post>(undefined);
  const { inputs, wrappers } = useMemo(() => bundledFor(form, kit, options.skin), [form, kit, options.skin]);
  const open = useMemo((): FormToOpen => {
    return { ...formToOpen(form, kit), ...options };
  }, [form, kit, options]);
  const bundle = [...inputs, ...wrappers, ...(codes ?? [])].join(' ');
  const drawnBy = useRef(bundle);
  const typed = useRef<Snapshot>(undefined);
  const latest = useRef(open);
  const send = useRef((_post: Post, _open: FormToOpen): void => undefined);
  useEffect(() => {
    send.current = (to, wanted) => {
      if (!fromServer) to({ kind: 'open', open: wanted });
      else
        renderedForm({ inputs, wrappers, codecs: codes ?? [] }, wanted).then(
          (served) => to({ kind: 'open', open: { ...wanted, served } }),
          (error: unknown) =>
            onMessage?.({ kind: 'failed', message: error instanceof Error ? error.message : String(error) }, to),
        );
    };
  });
  useEffect(() => {
    latest.current = open;
    // A frame that has not bundled what it needs goes on as it was, until the one that has takes its place.
    if (post.current && drawnBy.current === bundle) send.current(post.current, open);
  }, [open, bundle]);
  if (!codes) return <Busy>Reading the codecs that are code …</Busy>;
  return (
    <StandFrame
      title={title}
      inputs={inputs}
      wrappers={wrappers}
      codecs={codes}
      minHeight={200}
      isKept
      weigh={() => JSON.stringify([form.schema, form.hints, options.values]).length}
      onReady={(ready) => {
        post.current = ready;
        drawnBy.current = bundle;
        // Another input or skin is another bundle, and so another frame: what was typed goes over into it.
        const restore = typed.current;
        send.current(ready, restore ? { ...latest.current, restore } : latest.current);
        onReady?.(ready);
      }}
      onMessage={(message) => {
        if (message.kind === 'state') typed.current = message.changed ? message.snapshot : undefined;
        if (message.kind === 'fetch') void fetchFor(message, post.current);
        else if (post.current) onMessage?.(message, post.current);
      }}
    />
  );
}

/** The frame has no network. It gets what the demo company offers and what hosts answer that somebody has allowed, and nothing else of the server. */
async function fetchFor(
  { id, address }: { readonly id: number; readonly address: string },
  post?: Post,
): Promise<void> {
  try {
    post?.({ kind: 'fetched', id, answer: await askElsewhere(address) });
  } catch (error) {
    post?.({ kind: 'fetched', id, trouble: error instanceof Error ? error.message : String(error) });
  }
}
