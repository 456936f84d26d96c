/** Did the database refuse because something of that code (or name) is there already? */
export function isTaken(error: unknown): boolean {
  for (let at: unknown = error; at !== null && typeof at === 'object'; at = (at as { cause?: unknown }).cause)
    if ((at as { code?: string }).code === '23505') return true;
  return false;
}
