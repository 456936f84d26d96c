/** Whether a part of an address can be an identity; anything else is not found, not an error of the database. */
export const isId = (text: string): boolean =>
  /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i.test(text);
