import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  // Where a proxy compresses, or nothing leaves this computer, doing it here is work for nothing.
  compress: process.env.WERKBANK_COMPRESS !== 'no',
  reactStrictMode: true,
  // Types are checked once, by `npm test` and `npm run check`: doing it in each build as well costs half a minute.
  typescript: { ignoreBuildErrors: true },
  // A station's log may be 2 MB, and form data makes it longer.
  experimental: { authInterrupts: true, serverActions: { bodySizeLimit: '5mb' } },
  serverExternalPackages: ['pdfmake', 'pdfkit', 'pg', 'pino', '@node-rs/argon2'],
  sassOptions: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
};

export default config;
