/** Packages that ship ES modules only and are read by tests. */
const ESM_ONLY = [
  'pitchy',
  'ngraph\\..*',
  '@same-song',
  'd3-dsv',
  'p-queue',
  'p-timeout',
  'eventemitter3',
].join('|');

const swc = (jsx) => [
  '@swc/jest',
  {
    jsc: {
      target: 'es2022',
      parser: { syntax: 'typescript', tsx: jsx, decorators: true },
      transform: {
        legacyDecorator: true,
        decoratorMetadata: true,
        useDefineForClassFields: false,
        react: { runtime: 'automatic' },
      },
    },
    module: { type: 'commonjs' },
  },
];

const DICE = ['<rootDir>/scripts/lib/dice.mjs'];

const project = (displayName, roots) => ({
  displayName,
  roots: roots.map((root) => `<rootDir>/${root}`),
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  testEnvironment: 'node',
  testEnvironmentOptions: { customExportConditions: ['@same-song/source', 'node', 'node-addons'] },
  moduleFileExtensions: ['ts', 'tsx', 'js', 'mjs', 'json', 'node'],
  transform: { '^.+\\.(ts|js|mjs)$': swc(false), '^.+\\.tsx$': swc(true) },
  transformIgnorePatterns: [`/node_modules/(?!(${ESM_ONLY})/)`],
});

export default {
  testTimeout: 90_000,
  projects: [
    { ...project('core', ['packages/core']), setupFiles: DICE },
    { ...project('formats', ['packages/formats']), setupFiles: DICE },
    project('server', ['apps/server/src', 'apps/server/test']),
    {
      ...project('web', ['apps/web/src']),
      testEnvironment: '<rootDir>/apps/web/test/browserLike.mjs',
      setupFilesAfterEnv: ['<rootDir>/apps/web/test/patient.ts'],
      moduleNameMapper: { '\\.css$': '<rootDir>/apps/web/test/noStyle.mjs' },
    },
    project('browser', ['e2e']),
  ],
};
