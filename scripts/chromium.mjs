/** Debian's Chromium, for scripts and benches. */
export const chromiumPath = () => process.env.CHROMIUM ?? '/usr/bin/chromium';
