const swc = ['@swc/jest', { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } }];
const node = {
  testEnvironment: 'node',
  transform: { '^.+\\.ts$': swc, '^.+\\.m?js$': swc },
  transformIgnorePatterns: ['/node_modules/(?!(uuid)/)'],
};

export default {
  projects: [
    { ...node, displayName: 'core', roots: ['<rootDir>/packages/core'] },
    { ...node, displayName: 'contract', roots: ['<rootDir>/packages/contract'] },
  ],
};
