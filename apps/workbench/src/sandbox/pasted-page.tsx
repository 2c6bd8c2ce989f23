import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { LinkOverlay } from './link-overlay.js';

/**
 * A page of HTML that somebody pasted in, with its links drawn. This is the one place where text becomes markup: the frame
 * has no origin and no network, and its policy lets no script in the text run.
 */
export function PastedPage({ html }: { readonly html: string }): ReactNode {
  const place = useRef<HTMLDivElement>(null);
  const [isThere, setThere] = useState(false);
  useLayoutEffect(() => {
    const parsed = new DOMParser().parseFromString(html, 'text/html');
    for (const element of parsed.querySelectorAll('script, iframe, object, embed, link, meta, base')) element.remove();
    place.current?.replaceChildren(...[...parsed.body.childNodes].map((node) => document.adoptNode(node)));
    setThere(true);
  }, [html]);
  return (
    <div className="pasted" onSubmit={(event) => event.preventDefault()}>
      <div ref={place} />
      {isThere && <LinkOverlay />}
    </div>
  );
}
