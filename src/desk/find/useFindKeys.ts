import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';

/** Keys that work on every page of the desk: Ctrl K finds anything, Alt N begins a proposal. */
export function useFindKeys() {
  const router = useRouter();
  const [finding, setFinding] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && !event.altKey && !event.shiftKey && event.code === 'KeyK') {
        event.preventDefault();
        setFinding(true);
      } else if (event.altKey && !event.ctrlKey && !event.metaKey && event.code === 'KeyN') {
        event.preventDefault();
        router.push('/proposals/new');
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [router]);
  return [finding, setFinding] as const;
}
