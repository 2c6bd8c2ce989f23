/**
 * When the browser has drawn what the page says now: in the turn after its next frame. A tab out of sight draws nothing
 * and must not wait for it.
 */
export function afterDrawing(): Promise<void> {
  return new Promise((resolve) => {
    const turn = (): void => void setTimeout(resolve, 0);
    if (document.hidden) turn();
    else requestAnimationFrame(turn);
  });
}
