import type { NextConfig } from 'next';

const config: NextConfig = {
  devIndicators: false,
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: ['postgres'],
  // The check step runs the full type check; repeating it in the build costs about nine seconds.
  typescript: { ignoreBuildErrors: true },
};

export default config;
