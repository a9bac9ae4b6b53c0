import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const alias = { '@': fileURLToPath(new URL('./src', import.meta.url)) };

export default defineConfig({
  test: {
    projects: [
      { resolve: { alias }, test: { name: 'unit', include: ['src/**/*.test.ts'], environment: 'node' } },
      { resolve: { alias }, test: { name: 'outside', include: ['tests/outside/**/*.test.ts'], environment: 'node' } },
      { resolve: { alias }, test: { name: 'build', include: ['tests/build/**/*.test.ts'], environment: 'node' } },
      {
        resolve: { alias },
        test: {
          name: 'database',
          include: ['tests/database/**/*.test.ts'],
          environment: 'node',
          testTimeout: 60_000,
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
