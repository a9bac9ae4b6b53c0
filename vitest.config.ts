import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** Files share the modules of their worker: no test changes anything in them, and loading them anew for each file costs as much as the tests. */
const shared = {
  environment: 'node',
  isolate: false,
  // Nothing here is a test of speed: on a machine that gives half of itself to others, commands that take twenty seconds took seventy.
  testTimeout: 240_000,
  // Runs and worlds of tests are in UTC: so are the calendars of the instruments in them.
  env: { WERKBANK_STANDIN_ZONE: 'UTC' },
} as const;
const alias = { '@': fileURLToPath(new URL('./src', import.meta.url)) };

export default defineConfig({
  test: {
    projects: [
      { resolve: { alias }, test: { name: 'unit', include: ['src/**/*.test.ts'], ...shared } },
      // The densest views, drawn without a browser: what they say of given facts, and what a press sends.
      {
        resolve: { alias },
        esbuild: { jsx: 'automatic' },
        test: { name: 'component', include: ['src/**/*.test.tsx'], ...shared, environment: 'jsdom' },
      },
      { resolve: { alias }, test: { name: 'outside', include: ['tests/outside/**/*.test.ts'], ...shared } },
      { resolve: { alias }, test: { name: 'build', include: ['tests/build/**/*.test.ts'], ...shared } },
      {
        resolve: { alias },
        test: {
          name: 'database',
          include: ['tests/database/**/*.test.ts'],
          ...shared,
          hookTimeout: 120_000,
          globalSetup: ['tests/database/cluster.setup.ts'],
          // Each file has a database of its own, made from one template; a core is left to the server.
          fileParallelism: true,
          maxWorkers: 2,
        },
      },
    ],
  },
});
