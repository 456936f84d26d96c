/*
 * How well a color is read on another, as WCAG 2.2 reckons it.
 */

/** The relative luminance of a color. Source: WCAG 2.2, definition of relative luminance. */
function luminance(color: string): number {
  const part = (at: number): number => {
    const value = Number.parseInt(color.slice(at, at + 2), 16) / 255;
    return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
  };
  return 0.2126 * part(1) + 0.7152 * part(3) + 0.0722 * part(5);
}

/**
 * The contrast of two colors, from 1 to 21. Source: WCAG 2.2, definition of contrast ratio.
 * @param one as #rrggbb
 * @param other as #rrggbb
 */
export function contrast(one: string, other: string): number {
  const [a, b] = [luminance(one), luminance(other)].sort((x, y) => y - x) as [number, number];
  return (a + 0.05) / (b + 0.05);
}

/** The papers text stands on: white, and that of the customer’s page. */
const PAPERS = ['#ffffff', '#fffef9'] as const;

/** The least contrast of text (WCAG 2.2, success criterion 1.4.3). */
const LEAST = 4.5;

/** Is a color read as text on every paper, and white on it? */
export const isLegible = (color: string): boolean => PAPERS.every((paper) => contrast(color, paper) >= LEAST);
