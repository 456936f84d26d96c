/* How texts of a document are written, as regular expressions. Without a schema, for what only tries them. */

/** At most 12 digits before and 6 after the point. */
export const decimalPattern = '^-?\\d{1,12}(\\.\\d{1,6})?$';
export const positivePattern = '^\\d{1,12}(\\.\\d{1,6})?$';
export const percentPattern = '^\\d{1,3}(\\.\\d{1,4})?$';
export const datePattern = '^\\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\\d|3[01])$';
export const idPattern = '^[A-Za-z0-9_-]{1,64}$';
/** A name that formulas can use: run, post_spacing. */
export const identifierPattern = '^[A-Za-z][A-Za-z0-9_]{0,39}$';
