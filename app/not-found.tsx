import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="page-trouble">
      <h1>There is nothing here</h1>
      <p>The address may have a typing mistake.</p>
      <p>
        <Link href="/today" prefetch={false}>
          To Impegno
        </Link>
      </p>
    </main>
  );
}
