/** Debian's Chromium, and the flags without which it looks for the network at every start. */
export const chromiumPath = '/usr/bin/chromium';
export const chromiumArgs = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
