/** @type {import('next').NextConfig} */
export default {
  poweredByHeader: false,
  reactStrictMode: true,
  // pdfkit and tesseract.js read their own data files, graphile-worker, pg, pino and sharp load parts at run time: they stay outside the bundle.
  serverExternalPackages: ['graphile-worker', 'pdfkit', 'pg', 'pino', 'sharp', 'tesseract.js'],
  // Types are a check of their own: npm run types.
  typescript: { ignoreBuildErrors: true },
  // Messages come to the browser parsed: what formats them needs no parser.
  turbopack: {
    resolveAlias: {
      'use-intl/format-message': 'use-intl/format-message/format-only',
      // d3-scale brings scales of time along, which nothing here draws.
      'd3-time': './ui/charts/no-times.js',
      'd3-time-format': './ui/charts/no-times.js',
    },
  },
  // What the server runs is read in the log's stacks, and by nobody over a line: it stays as it is.
  experimental: { serverMinification: false, turbopackSourceMaps: false },
};
