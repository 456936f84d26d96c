import type { Choices } from './choices';

/* Without a schema, so that what computes with it carries no schema builder to the browser. */

/** Nothing decided: everything as suggested. */
export const asSuggested: Choices = Object.freeze({ extras: {}, questions: {} });
