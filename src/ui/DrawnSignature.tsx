/** A signature as it was drawn. */
export function DrawnSignature({
  drawn: { path, width, height },
  signer,
  className,
}: {
  readonly drawn: { readonly path: string; readonly width: number; readonly height: number };
  readonly signer: string;
  readonly className: string;
}) {
  return (
    <svg
      className={className}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`Signature of ${signer}`}
    >
      <path d={path} fill="none" stroke="currentColor" strokeWidth="2" strokeLinecap="round" />
    </svg>
  );
}
