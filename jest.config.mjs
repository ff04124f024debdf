/** Packages that ship ES modules only and are read by tests. */
const ESM_ONLY = ['ngraph\\..*', '@same-song'].join('|');

const project = (displayName, roots) => ({
  displayName,
  roots: roots.map((root) => `<rootDir>/${root}`),
  testMatch: ['**/*.test.ts'],
  testEnvironment: 'node',
  testEnvironmentOptions: { customExportConditions: ['@same-song/source', 'node', 'node-addons'] },
  moduleFileExtensions: ['ts', 'tsx', 'js', 'mjs', 'json', 'node'],
  transform: {
    '^.+\\.(ts|tsx|js|mjs)$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', decorators: true },
          transform: { legacyDecorator: true, decoratorMetadata: true, useDefineForClassFields: false },
        },
        module: { type: 'commonjs' },
      },
    ],
  },
  transformIgnorePatterns: [`/node_modules/(?!(${ESM_ONLY})/)`],
});

export default {
  testTimeout: 90_000,
  projects: [
    project('core', ['packages/core']),
    project('server', ['apps/server/src', 'apps/server/test']),
    project('web', ['apps/web/src']),
    project('browser', ['e2e']),
  ],
};
