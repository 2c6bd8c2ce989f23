/** Waits until the workbench is served: it may first have to be built. */
export async function untilServed(url) {
  for (let i = 0; i < 240; i++) {
    try {
      if ((await fetch(url)).ok) return;
    } catch {
      // Not yet.
    }
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  throw new Error('The workbench was not served.');
}
