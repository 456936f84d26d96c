/** How long an answer is waited for, in milliseconds, before it is said that none came. */
export const PATIENCE = 30_000;

/** Nothing was answered in time. What was asked may be done all the same, and may still be. */
export class NoAnswer extends Error {
  constructor() {
    super('No answer came in time.');
    this.name = 'NoAnswer';
  }
}

/** A promise that is waited for as long as a person would. @throws NoAnswer after that */
export function withPatience<T>(act: Promise<T>, patience = PATIENCE): Promise<T> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(() => reject(new NoAnswer()), patience);
    const settled = () => clearTimeout(timer);
    act.then(
      (value) => {
        settled();
        resolve(value);
      },
      (error: unknown) => {
        settled();
        reject(error instanceof Error ? error : new Error(String(error)));
      },
    );
  });
}
