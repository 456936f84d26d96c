/** The header by which a page of the desk says as whom it was opened. */
export const actsAsHeader = 'x-acts-as';
