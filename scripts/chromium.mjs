/** Debian's Chromium for scripts and benches; the one without windows costs a page a third less, and draws the same. */
import { existsSync } from 'node:fs';

export const chromiumPaths = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];
export const chromiumPath = () =>
  process.env.CHROMIUM ?? chromiumPaths.find((path) => existsSync(path)) ?? '/usr/bin/chromium';
