import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  experimental: { authInterrupts: true },
  serverExternalPackages: ['pdfmake', 'pdfkit', 'pg', 'pino', '@node-rs/argon2'],
  sassOptions: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
};

export default config;
