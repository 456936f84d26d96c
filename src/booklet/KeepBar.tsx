'use client';

import { useState } from 'react';

/** For us, in the preview: keeps what was chosen on the phone, so that the customer finds it in their booklet. */
export function KeepBar({ keep }: { keep: () => Promise<string | null> }) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <div className="keep-bar" role="status">
      <span>{problem ?? 'Chosen here, on the phone with the customer?'}</span>
      <button
        type="button"
        className="button"
        disabled={busy}
        onClick={() => {
          setBusy(true);
          void keep().then((trouble) => {
            setProblem(trouble);
            setBusy(false);
          });
        }}
      >
        Keep these as their choices
      </button>
    </div>
  );
}
