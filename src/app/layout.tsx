import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import '@fontsource-variable/archivo/standard.css';
import '@fontsource-variable/stix-two-text/wght.css';
import '@fontsource-variable/stix-two-text/wght-italic.css';
import { Providers } from '@/features/shell/Providers';
import './globals.css';

export const metadata: Metadata = {
  title: 'Lofted Ember',
  description:
    'What to wear and carry in the cold, and when to change, from a simulation of heat and water through every layer.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#f1f4f1' };
export const dynamic = 'force-dynamic';

export default async function Layout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en">
      <body>
        <Providers nonce={nonce}>{children}</Providers>
      </body>
    </html>
  );
}
