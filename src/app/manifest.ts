import type { MetadataRoute } from 'next';

/** What a phone needs to put the application beside its others. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Lofted Ember',
    short_name: 'Ember',
    description: 'What to wear and when to change it, out there without a network.',
    id: '/out',
    start_url: '/out',
    scope: '/',
    display: 'standalone',
    orientation: 'portrait',
    background_color: '#f1f4f1',
    theme_color: '#f1f4f1',
    icons: [
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png', purpose: 'any' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
