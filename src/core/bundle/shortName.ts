/** The name of a bundle without what its inputs fill in: “Guard railing, {run}” is a guard railing. */
export const shortName = (name: string): string =>
  name
    .split('{')[0]!
    .replace(/[\s,;:]+$/, '')
    .trim() || name;
