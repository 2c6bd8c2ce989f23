/** How files of foreign packages are taken into a bundle. */
import type { Loader } from 'esbuild';

/** Some packages ship their scripts as they were written, with elements in them. */
export const asShipped: Record<string, Loader> = { '.js': 'jsx', '.mjs': 'jsx' };
/** Pictures and fonts come with the script: a frame has no network. */
export const asData = Object.fromEntries(
  'svg png gif jpg jpeg webp avif ico cur woff woff2 ttf otf eot mp3 wav ogg mp4 webm'
    .split(' ')
    .map((ending) => [`.${ending}`, 'dataurl' as const]),
) satisfies Record<string, Loader>;
