import type { DrawnWords } from '@poietra/core';

/** What is said of a file, in English. */
export const fileWords = {
  takeAway: 'Take away',
  aFile: 'A file',
  fileBroken: (reason) => `The file cannot be read: ${reason}.`,
  size: (bytes) =>
    bytes < 1000
      ? `${Math.round(bytes)} bytes`
      : bytes < 1e6
        ? `${Math.round(bytes / 1000)} kB`
        : `${(bytes / 1e6).toFixed(1)} MB`,
} satisfies Partial<DrawnWords>;
