/** Did the database refuse for the reason a code of it says? */
function refusedBy(error: unknown, code: string): boolean {
  for (let at: unknown = error; at !== null && typeof at === 'object'; at = (at as { cause?: unknown }).cause)
    if ((at as { code?: string }).code === code) return true;
  return false;
}

/** Did the database refuse because something of that code (or name) is there already? */
export const isTaken = (error: unknown): boolean => refusedBy(error, '23505');

/** Did a rule of the database refuse: another changed meanwhile what the rule is about? */
export const isRuledOut = (error: unknown): boolean => refusedBy(error, '23001');
