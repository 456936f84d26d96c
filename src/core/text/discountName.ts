/** What a discount is called on a paper, with why it is given where that is said. */
export const discountName = (reason: string | null): string =>
  reason === null ? 'Discount' : `Discount: ${reason}`;
