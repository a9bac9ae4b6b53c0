'use client';
import { useRouter } from 'next/navigation';
import type { MouseEvent, ReactNode } from 'react';

/**
 * Plain links within a long list, followed without loading the house anew. One listener for all of them: a list of forty rows is drawn from plain elements, and each row costs next to nothing.
 */
export function SoftLinks({ children }: { children: ReactNode }) {
  const router = useRouter();
  const follow = (event: MouseEvent) => {
    const link = (event.target as HTMLElement).closest('a');
    const href = link?.getAttribute('href');
    if (!link || !href?.startsWith('/') || link.target || link.hasAttribute('download')) return;
    // Another window, a saved file: the browser's own ways stay.
    if (event.defaultPrevented || event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
    event.preventDefault();
    router.push(href);
  };
  return <div onClick={follow}>{children}</div>;
}
