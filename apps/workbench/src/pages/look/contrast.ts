import { parse, wcagContrast } from 'culori';

/** The contrast of two colours (WCAG 2.2, relative luminance), from 1 to 21; `undefined` where one cannot be read here. */
export function contrast(one: string, other: string): number | undefined {
  const [a, b] = [parse(one), parse(other)];
  // What is seen through depends on what lies behind it.
  if (!a || !b || [a, b].some(({ alpha = 1 }) => alpha < 1)) return undefined;
  return wcagContrast(a, b);
}
