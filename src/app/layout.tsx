import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import '@fontsource-variable/archivo/standard.css';
import '@fontsource-variable/stix-two-text/wght.css';
import '@fontsource-variable/stix-two-text/wght-italic.css';
import { LIGHT_COOKIE, LIGHTS } from '@/features/shell/light';
import { Providers } from '@/features/shell/Providers';
import './globals.css';

export const metadata: Metadata = {
  title: 'Lofted Ember',
  description:
    'What to wear and carry in the cold, and when to change, from a simulation of heat and water through every layer.',
};
export const viewport: Viewport = {
  width: 'device-width',
  initialScale: 1,
  themeColor: [
    { media: '(prefers-color-scheme: light)', color: '#f1f4f1' },
    { media: '(prefers-color-scheme: dark)', color: '#0b1020' },
  ],
};
export const dynamic = 'force-dynamic';

export default async function Layout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  const light = (await cookies()).get(LIGHT_COOKIE)?.value;
  return (
    <html lang="en" data-theme={LIGHTS.find((l) => l === light && l !== 'by itself')}>
      <body>
        <Providers nonce={nonce}>{children}</Providers>
      </body>
    </html>
  );
}
