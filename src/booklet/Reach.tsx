/** A phone number to tap. */
export function Phone({ number }: { readonly number: string }) {
  return <a href={`tel:${number.replace(/[^+\d]/g, '')}`}>{number}</a>;
}

/** A mail address to tap. */
export function Mail({ address }: { readonly address: string }) {
  return <a href={`mailto:${address}`}>{address}</a>;
}
