/** A dead input that would like to be taken for a living one; for the tests of the proof in full. */

/** All that its own page lets it turn: what the stand could judge with, the events it could speak by, and its messages. */
export function Forging() {
  JSON.stringify = () => '{}';
  Element.prototype.checkVisibility = () => true;
  Element.prototype.getBoundingClientRect = () => new DOMRect(20, 20, 200, 40);
  for (const check of ['mounts', 'held', 'reports', 'right', 'name', 'focus'])
    for (const kind of ['verdict', 'proved'])
      window.postMessage({ kind, verdict: { check, state: 'pass', seen: 'Believe me.' } }, '*');
  return <span />;
}
