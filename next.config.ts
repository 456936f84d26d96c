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
    'nodemailer',
    'pg',
    'pg-boss',
    'prom-client',
    'sharp',
  ],
  // Addresses of before, in links that were sent and in bookmarks.
  redirects: async () => [
    { source: '/agreements/back', destination: '/reports', permanent: true },
    { source: '/agreements/:id/costs', destination: '/agreements/:id/job-costing', permanent: true },
    { source: '/api/v1/back.csv', destination: '/api/v1/reports.csv', permanent: true },
  ],
  outputFileTracingRoot: import.meta.dirname,
  turbopack: { root: import.meta.dirname },
  experimental: { serverActions: { bodySizeLimit: '2mb' }, proxyClientMaxBodySize: '26mb' },
};

export default config;
