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
  {
    // A day begins at the workshop's midnight, not at that of UTC.
    files: ['src/app/**', 'src/features/**', 'src/platform/**', 'src/ui/**'],
    ignores: ['**/*.test.*'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'CallExpression[callee.property.name="slice"][arguments.0.value=0][arguments.1.value=10]',
          message: 'The day of an instant is one on the workshop’s clock: dateIn, dayIn, DayOf.',
        },
        {
          selector: 'TemplateElement[value.raw=/current_date/]',
          message: 'The database’s day is UTC’s: (now() at time zone public_zone())::date, or a day that is handed on.',
        },
      ],
    },
  },
  { files: ['src/ui/link.tsx'], rules: { 'no-restricted-imports': 'off' } },
  { files: ['scripts/**', 'src/processes/**', 'src/standins/**', 'tests/**'], rules: { 'no-console': 'off' } },
];
export default config;
