import next from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';

const config = [
  { ignores: ['.next/**', 'node_modules/**', 'next-env.d.ts', 'test-results/**', 'playwright-report/**'] },
  ...next,
  ...typescript,
  {
    rules: {
      'no-console': ['error', { allow: ['warn', 'error'] }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'max-lines': ['error', { max: 400 }],
      eqeqeq: 'error',
      'no-restricted-imports': ['error', { name: 'next/link', message: 'Link of @/ui/link fetches nothing ahead.' }],
    },
  },
  { files: ['src/ui/link.tsx'], rules: { 'no-restricted-imports': 'off' } },
  { files: ['scripts/**', 'src/processes/**', 'src/standins/**', 'tests/**'], rules: { 'no-console': 'off' } },
];
export default config;
