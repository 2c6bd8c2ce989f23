import { existsSync } from 'node:fs';

/** Debian's Chromium, as a person has it: with windows, dragging, and a process for each frame without origin. */
export const chromiumPath = process.env['CHROMIUM'] ?? '/usr/bin/chromium';
const windowless = '/usr/bin/chromium-headless-shell';
/** For checks on pages of their own: the one without windows, where there is one. A page costs it less. */
export const checkingPath = process.env['CHROMIUM'] ?? (existsSync(windowless) ? windowless : chromiumPath);
/** Flags without which it looks for the network at every start. */
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
