/** Hours of work in a day that is paid as one. A file of its own: the screens take it without the schemas. */
export const HOURS_OF_A_DAY = '8';
