/** Debian's Chromium, and the flags without which it looks for the network at every start. */
export const chromiumPath = '/usr/bin/chromium';
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
