'use client';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { setNonce } from 'get-nonce';
import { useEffect, useState, type ReactNode } from 'react';
import dynamic from 'next/dynamic';
import { OutboxSheets } from '@/ui/outbox/OutboxSheets';

// A word about what was done is never the first thing: it comes after the page.
const ToastList = dynamic(() => import('@/ui/ToastList').then((m) => m.ToastList), { ssr: false });

/** What every page stands on: requests under way outlive the page that asked, and words about what was done. */
export function Providers({ nonce, children }: { nonce?: string; children: ReactNode }) {
  // Parts that put styles into the page by themselves need what the content policy asks for.
  if (nonce) setNonce(nonce);
  const [client] = useState(() => new QueryClient({ defaultOptions: { queries: { retry: 1 } } }));
  // Runs when everything within is at work: what drives the page by program waits for it.
  useEffect(() => {
    document.documentElement.dataset.atWork = '';
  }, []);
  return (
    <QueryClientProvider client={client}>
      {children}
      <ToastList />
      <OutboxSheets />
    </QueryClientProvider>
  );
}
