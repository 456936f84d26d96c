import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  serverExternalPackages: ['@react-pdf/renderer', '@node-rs/argon2', 'pg'],
  outputFileTracingRoot: import.meta.dirname,
  turbopack: { root: import.meta.dirname },
  experimental: { serverActions: { bodySizeLimit: '2mb' } },
};

export default config;
