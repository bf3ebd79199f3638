import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // pdfkit and tesseract.js read their own data files, graphile-worker, pg, pino and sharp load parts at run time: they stay outside the bundle.
  serverExternalPackages: ['graphile-worker', 'pdfkit', 'pg', 'pino', 'sharp', 'tesseract.js'],
};

export default config;
