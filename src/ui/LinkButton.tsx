'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';

/** A link that looks like a button: it goes somewhere, so it is a link. A download leaves the page as it is. */
export function LinkButton({
  href,
  primary = false,
  children,
  download = false,
}: {
  href: string;
  primary?: boolean;
  children: string;
  download?: boolean;
}) {
  const router = useRouter();
  return (
    <Button
      type={primary ? 'primary' : 'default'}
      href={href}
      onClick={(event) => {
        if (download || event.metaKey || event.ctrlKey) return;
        event.preventDefault();
        router.push(href);
      }}
    >
      {children}
    </Button>
  );
}
