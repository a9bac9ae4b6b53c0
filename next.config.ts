import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  // Where a proxy compresses, or nothing leaves this computer, doing it here is work for nothing.
  compress: process.env.WERKBANK_COMPRESS !== 'no',
  reactStrictMode: true,
  // Types are checked once, by `npm test` and `npm run check`: doing it in each build as well costs half a minute.
  typescript: { ignoreBuildErrors: true },
  // Answers to forms: a station's log may be 2 MB, and form data makes it longer.
  // Pages are loaded when they are asked for first: all of them at once would keep whoever comes back after a fall waiting for seconds, and the public listener needs three.
  experimental: { authInterrupts: true, serverActions: { bodySizeLimit: '5mb' }, preloadEntriesOnStart: false },
  serverExternalPackages: ['pdfmake', 'pdfkit', 'pg', 'pino', '@node-rs/argon2'],
  sassOptions: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
};

export default config;
