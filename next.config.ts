import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  // Types are checked by the tests; checking them again in each build would double its time.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: [
    '@react-pdf/renderer',
    '@e-invoice-eu/core',
    'exceljs',
    '@node-rs/argon2',
    'pg',
    'sharp',
  ],
  outputFileTracingRoot: import.meta.dirname,
  turbopack: { root: import.meta.dirname },
  experimental: { serverActions: { bodySizeLimit: '2mb' }, proxyClientMaxBodySize: '26mb' },
};

export default config;
