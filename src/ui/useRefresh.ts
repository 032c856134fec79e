'use client';
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';

/**
 * Fetches the page's data anew, where the server answers. Without asking first, a server that is just being started again would cost
 * the page itself: the framework then leaves it for the browser's own page about a failure.
 */
export function useRefresh(): () => void {
  const router = useRouter();
  return useCallback(() => {
    const healthy = async () => {
      const answer = await fetch('/api/health');
      return ((await answer.json()) as { ok: boolean }).ok;
    };
    void healthy().then(
      (ok) => ok && router.refresh(),
      () => {},
    );
  }, [router]);
}
