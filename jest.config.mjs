import presets from 'jest-preset-angular/presets/index.js';

const swc = ['@swc/jest', { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } }];
const packages = {
  '^@cazuela/core$': '<rootDir>/packages/core/src/index.ts',
  // What the tests of the core are made of, for those of the interface.
  '^@cazuela/core/test/(.*)$': '<rootDir>/packages/core/test/$1.ts',
  '^@cazuela/contract$': '<rootDir>/packages/contract/src/index.ts',
  '^@cazuela/formats$': '<rootDir>/packages/formats/src/index.ts',
};
const node = {
  testEnvironment: 'node',
  testMatch: ['**/*.spec.ts'],
  moduleNameMapper: packages,
  transform: { '^.+\\.ts$': swc, '^.+\\.m?js$': swc },
  transformIgnorePatterns: ['/node_modules/(?!(uuid|tinyqueue|p-limit|yocto-queue)/)'],
};

const properties = { setupFiles: ['<rootDir>/packages/core/test/properties.setup.ts'] };

export default {
  // Room for a busy machine: a database is made and migrated before the first test of a file.
  testTimeout: 60_000,
  projects: [
    { ...node, ...properties, displayName: 'core', roots: ['<rootDir>/packages/core'] },
    { ...node, ...properties, displayName: 'contract', roots: ['<rootDir>/packages/contract', '<rootDir>/packages/formats'] },
    {
      ...node,
      displayName: 'server',
      roots: ['<rootDir>/apps/server', '<rootDir>/scripts', '<rootDir>/demo'],
      globalSetup: '<rootDir>/apps/server/test/database.setup.ts',
      globalTeardown: '<rootDir>/apps/server/test/database.teardown.ts',
    },
    {
      ...presets.createCjsPreset({ tsconfig: '<rootDir>/apps/web/tsconfig.spec.json' }),
      displayName: 'web',
      testEnvironment: 'jest-preset-angular/environments/jest-jsdom-env',
      roots: ['<rootDir>/apps/web/src'],
      setupFilesAfterEnv: ['<rootDir>/apps/web/src/testing/setup-jest.ts'],
      moduleNameMapper: {
        ...packages,
        '^chartjs-plugin-': '<rootDir>/apps/web/src/testing/chart-stub.ts',
        '^chart\\.js$': '<rootDir>/apps/web/src/testing/chart-stub.ts',
        'worker-factory$': '<rootDir>/apps/web/src/testing/worker-stub.ts',
      },
      transformIgnorePatterns: ['node_modules/(?!(.*\\.mjs$|@angular|d3-|uuid|tinyqueue|date-fns))'],
    },
  ],
};
