import type { NextConfig } from 'next';

/** Pages that stood in a room and are of the home: old addresses lead on. */
const movedPages: readonly (readonly [from: string, to: string, query?: string])[] = [
  ['agree/household', 'look/household'],
  ['sort/count', 'sort/count'],
  ['sort/lists', 'sort'],
  ['sort/results', 'sort/results', 'project'],
  ['place/home', 'place'],
  ['place/compare', 'place/compare', 'home'],
  ['place/seasons', 'place/seasons'],
  ['shop/money', 'shop/money'],
];

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
  redirects: async () => [
    { source: '/favicon.ico', destination: '/icon.svg', permanent: false },
    ...movedPages.map(([from, to, query]) => ({
      source: `/projects/:p/rooms/:r/${from}`,
      destination: `/projects/:p/home/${to}`,
      permanent: false,
      ...(query ? { has: [{ type: 'query' as const, key: 'of', value: query }] } : {}),
    })),
  ],
  experimental: { serverActions: { bodySizeLimit: '2mb' } },
};

export default config;
