import type { NextConfig } from 'next';

const config: NextConfig = {
  // Bundled, the solver looks for its WASM under the address that browsers use; outside the bundle it finds it.
  serverExternalPackages: ['knex', 'better-sqlite3', 'sharp', '@react-pdf/renderer', 'highs'],
  outputFileTracingRoot: import.meta.dirname,
  turbopack: { root: import.meta.dirname },
  poweredByHeader: false,
  reactStrictMode: true,
  // Types and lint run as steps of their own in `npm test`; once is enough.
  typescript: { ignoreBuildErrors: true },
  // Browsers ask for it whatever a page says of its icon.
  redirects: async () => [{ source: '/favicon.ico', destination: '/icon.svg', permanent: false }],
  experimental: { serverActions: { bodySizeLimit: '2mb' } },
};

export default config;
