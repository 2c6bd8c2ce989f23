import { color } from 'd3-color';

/** The contrast of two colours (WCAG 2.2, relative luminance), from 1 to 21; `undefined` where one cannot be read here. */
export function contrast(one: string, other: string): number | undefined {
  const [a, b] = [luminance(one), luminance(other)];
  if (a === undefined || b === undefined) return undefined;
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
}

function luminance(text: string): number | undefined {
  const read = color(text)?.rgb();
  // What is seen through depends on what lies behind it.
  if (!read || read.opacity < 1) return undefined;
  const [red = 0, green = 0, blue = 0] = [read.r, read.g, read.b].map((part) => {
    const share = part / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}
