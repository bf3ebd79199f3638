/**
 * What a room's files may import, beside their own room: imports point down. `rooms`: rooms below it, or single files of them;
 * `types`: rooms of which types alone may be imported; `packages`: packages, `node:*` for all of Node's own, left out: any.
 */
export const ROOMS: Record<string, { rooms: string; types?: string; packages?: string }> = {
  words: { rooms: '', packages: 'use-intl icu-minify' },
  core: { rooms: '', types: 'words', packages: 'zod' },
  runtime: { rooms: '', packages: 'node:* zod pino' },
  store: {
    rooms: 'words core runtime',
    packages: 'node:* pg pg-copy-streams graphile-worker rate-limiter-flexible p-limit',
  },
  outward: { rooms: 'core runtime' },
  service: { rooms: 'words core store outward runtime', packages: 'node:* zod dataloader lru-cache p-limit' },
  tasks: { rooms: 'service runtime', packages: 'node:* graphile-worker' },
  worker: { rooms: 'core', packages: '' },
  ui: {
    rooms: 'words core worker runtime/body-limits.ts',
    types: 'service',
    packages:
      '#translations use-intl react react-dom next react-hook-form qrcode radix-ui get-nonce d3-scale d3-array d3-shape @dnd-kit/core @dnd-kit/sortable @tanstack/react-virtual',
  },
  app: {
    rooms: 'words core service ui runtime',
    packages: '#translations node:* zod next react react-markdown remark-gfm busboy @fontsource-variable/archivo',
  },
  gate: { rooms: 'runtime', packages: 'node:* proxy-addr rate-limiter-flexible' },
  standin: { rooms: '', packages: 'node:* smtp-server' },
  demo: { rooms: 'core store' },
  bin: { rooms: 'words core' },
  scripts: { rooms: 'core runtime store outward service tasks gate standin demo bin' },
  testing: { rooms: 'words core runtime store outward service tasks gate standin demo bin scripts ui' },
  bench: { rooms: 'core runtime store outward service worker demo bin scripts testing' },
  e2e: { rooms: 'words core runtime store outward service standin demo scripts testing' },
};

/** Files that stand outside rooms: the framework's own entries. */
export const AT_THE_ROOT = 'ui tasks service runtime core';

/** Rooms within rooms whose imports go one way: each may import those before it. */
export const ONE_WAY: Record<string, string> = {
  core: 'memory pricing planning reading machine market price-list moving-in shop quoting fitting ordering proving',
  'core/planning': 'model rules placement search explain filters',
};

/** Files beside others that only tests may import; tests themselves may import what is below `testing` as well. */
export const FOR_TESTS = /\.(?:db\.)?(?:test|spec)\.tsx?$|(?:^|\/)testing\//;

/** More source files than this in one folder, tests aside, cannot be overseen. */
export const MOST_FILES = 20;
/** Folders of cases and of entries that are as many as there are. */
export const MANY_FILES = /^(?:core\/planning\/cases|store\/migrations)/;
