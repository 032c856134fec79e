import type { NextConfig } from 'next';

const config: NextConfig = {
  devIndicators: false,
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: ['postgres', 'pino', 'piscina'],
  // What the proxy lets through of a body: as much as the handlers take, or large routes would be cut on their way.
  experimental: { proxyClientMaxBodySize: '20mb' },
  // The check step runs the full type check; repeating it in the build costs about nine seconds.
  typescript: { ignoreBuildErrors: true },
};

export default config;
