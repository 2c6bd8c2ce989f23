import { existsSync } from 'node:fs';

/** Debian's Chromium, and the flags without which it looks for the network at every start. */
const paths = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];
/** The one without windows, where there is one: a page costs it a third less, and it draws the same. */
export const chromiumPath = process.env['CHROMIUM'] ?? paths.find((path) => existsSync(path)) ?? '/usr/bin/chromium';
export const quietArgs = [
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
/** For the tests' own pages, on machines that give Chromium no namespaces to lock its processes in. */
export const chromiumArgs = ['--no-sandbox', ...quietArgs];
