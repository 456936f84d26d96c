/**
 * A text with what is known put where it is named: “{customer}” becomes the customer’s name. What nobody knows stays as
 * it is written.
 */
export const fillWords = (text: string, known: Readonly<Record<string, string>>): string =>
  text.replace(/\{(\w+)\}/g, (written, name: string) =>
    Object.hasOwn(known, name) ? known[name]! : written,
  );
