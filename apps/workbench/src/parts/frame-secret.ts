/**
 * Gives a frame that has loaded the secret by which it is known (`stand/src/say.ts`). Until then nothing that comes from
 * it is believed; the stand keeps what it has to say.
 */
export function giveSecret(frame: HTMLIFrameElement): string {
  const secret = crypto.randomUUID();
  frame.contentWindow?.postMessage({ secret }, '*');
  return secret;
}
/** Before a frame has its own. Nobody else knows it either. */
export const noSecretYet = (): string => crypto.randomUUID();
