'use client';

/** What stands in place of a page that could not be made: what happened, what became of the work, what to do. */
export function PageTrouble({ again }: { again: () => void }) {
  return (
    <div role="alert" className="page-trouble">
      <h1>This page could not be made</h1>
      <p>Something went wrong on our side. What you saved is kept, and nothing was changed.</p>
      <p>
        <button type="button" onClick={again}>
          Try again
        </button>
      </p>
    </div>
  );
}
