/** Where the installation is reached. It may move: only the way from here is kept. */
export const here = (way: string): string =>
  `${process.env.IMPEGNO_ADDRESS ?? 'http://127.0.0.1:4310'}${way}`;
