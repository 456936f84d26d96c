import Link from 'next/link';

/** The bundles of the library that an item or a bundle is a part of. */
export function StandsIn({
  bundles,
}: {
  readonly bundles: readonly { readonly id: string; readonly code: string; readonly name: string }[];
}) {
  return (
    <>
      <h2>Stands in</h2>
      {bundles.length === 0 ? (
        <p className="soft">No bundle.</p>
      ) : (
        <ul className="plain-list">
          {bundles.map(({ id, code, name }) => (
            <li key={id}>
              <Link href={`/library/bundles/${id}`} prefetch={false}>
                {code}
              </Link>{' '}
              {/* What each use fills in is named, not braced. */}
              {name.replace(/\{(\w+)\}/g, '$1')}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
