/** Arrows point one way. See docs/decisions and the README's plan of the house. */
const from = (folder) => ({ path: `^src/${folder}/`, pathNot: '\\.(test|fixture)\\.tsx?$' });
const never = (name, folder, path, extra = {}) => ({ name, severity: 'error', from: from(folder), to: { path, ...extra } });

/** The core from the ground up: a storey knows the ones below it, and none beside it. */
const STOREYS = [
  ['words', 'quantity'],
  ['money', 'letter'],
  ['uncertainty'],
  ['stability', 'interval', 'booking', 'oxygen', 'conductivity', 'gas', 'instrument'],
  ['history', 'control', 'conductor'],
  ['ph'],
  ['procedure'],
  ['record'],
  ['measurand'],
  ['supply', 'live', 'paper', 'station'],
  ['run'],
  ['probe', 'results'],
  ['certificate', 'diagnosis', 'walk'],
  ['practice'],
  ['stored'],
];
const storeys = STOREYS.flatMap((floor, height) =>
  floor.map((folder) => {
    const barred = STOREYS.slice(height)
      .flat()
      .filter((one) => one !== folder);
    return never(`core-storeys-${folder}`, `core/${folder}`, `^src/core/(${barred.join('|') || '-'})/`);
  }),
);

module.exports = {
  forbidden: [
    ...storeys,
    never('core-stands-alone', 'core', '^src/(?!core/)'),
    never(
      'core-only-listed-libraries',
      'core',
      'node_modules/(?!(decimal\\.js-light|date-fns|@date-fns|@noble|canonicalize|yup|jose|intl-messageformat|@formatjs|@types)/)',
    ),
    never('core-no-node', 'core', '.*', { dependencyTypes: ['core'] }),
    never('procedures-only-core', 'procedures', '^src/(?!core/|procedures/)'),
    never('standins-only-core', 'standins', '^src/(?!core/|standins/)'),
    never('instruments-only-core', 'instruments', '^src/(?!core/|instruments/)'),
    never('workers-only-core', 'workers', '^src/(?!core/|workers/)'),
    never('ui-knows-no-feature', 'ui', '^src/(features|app|data|platform|processes|standins)/'),
    never('data-below-features', 'data', '^src/(features|app|platform|processes|ui)/'),
    never('platform-below-features', 'platform', '^src/(features|app|processes|ui)/'),
    never('features-below-app', 'features', '^src/(app|processes|standins)/'),
    never('nothing-imports-app', '(?!app)[^/]+', '^src/app/'),
    {
      name: 'features-by-their-doors',
      severity: 'error',
      from: { path: '^src/features/([^/]+)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/features/(?!$1/)[^/]+/(?!index\\.ts$|server\\.ts$)' },
    },
    {
      name: 'app-by-the-doors',
      severity: 'error',
      from: { path: '^src/(app|processes)/' },
      to: { path: '^src/features/[^/]+/(?!index\\.ts$|server\\.ts$|actions\\.ts$)' },
    },
    // The browser's side of a feature meets the server only in actions.ts; types are free.
    {
      name: 'browser-side-is-safe',
      severity: 'error',
      from: {
        path: '^src/(features/[^/]+/(?!server/|server\\.ts$|actions\\.ts$)|ui/|platform/client/)',
        pathNot: '\\.test\\.tsx?$',
      },
      to: {
        path: '^src/data/|^src/platform/(?!client/|permission\\.ts$)|^src/features/[^/]+/server|node_modules/(pg|drizzle-orm|pdfmake|better-auth|nodemailer|pino)/',
        dependencyTypesNot: ['type-only'],
      },
    },
    {
      name: 'core-no-circles',
      severity: 'error',
      from: { path: '^src/core/' },
      to: { circular: true },
    },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.(test|fixture)\\.tsx?$' },
  },
};
