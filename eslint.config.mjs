import angular from 'angular-eslint';
import { createNodeResolver, importX } from 'eslint-plugin-import-x';
import jsdoc from 'eslint-plugin-jsdoc';
import tseslint from 'typescript-eslint';

/** Arrows point down only: web and server → contract → core. Web and server never import each other. */
const forbid = (...patterns) => ({ 'no-restricted-imports': ['error', { patterns }] });
/** Folders of the core in their order: a folder imports only those before it. `core/src/index.ts` lists the same. */
const CORE_FOLDERS = [
  'checks',
  'units',
  'math',
  'slurry',
  'powder',
  'chemistry',
  'geometry',
  'recipe',
  'stain',
  'melt',
  'coat',
  'plan',
  'weighing',
  'events',
  'batch',
  'scale',
  'bucket',
  'feel',
  'run',
  'learning',
  'layering',
  'day',
  'kiln',
  'results',
  'wall',
  'now',
];
const CORE = './packages/core/src';
const EXPORTED_FUNCTIONS = [
  'ExportNamedDeclaration > FunctionDeclaration',
  'ExportNamedDeclaration > VariableDeclaration > VariableDeclarator > ArrowFunctionExpression',
];
const CORE_IS_PURE = ['node:*', '@cazuela/*', '@angular/*', 'rxjs', 'zod', 'sequelize', 'express'];

export default tseslint.config(
  { ignores: ['dist/**', 'node_modules/**', '.angular/**', '.cazuela/**', 'test-results/**', 'playwright-report/**'] },
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.recommended],
    rules: {
      eqeqeq: 'error',
      'no-console': 'off',
      '@typescript-eslint/consistent-type-imports': ['error', { disallowTypeAnnotations: false }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/explicit-function-return-type': ['error', { allowExpressions: true }],
      'import-x/no-cycle': 'error',
    },
    plugins: { 'import-x': importX },
    settings: { 'import-x/resolver-next': [createNodeResolver({ extensions: ['.ts'] })], 'import-x/extensions': ['.ts'] },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    rules: {
      ...forbid({ group: CORE_IS_PURE, message: 'The core is pure: no Node, no DOM, no framework.' }),
      'import-x/no-restricted-paths': [
        'error',
        {
          zones: CORE_FOLDERS.slice(0, -1).map((folder, at) => ({
            target: `${CORE}/${folder}`,
            from: CORE_FOLDERS.slice(at + 1).map((later) => `${CORE}/${later}`),
            message: 'A folder of the core imports only those before it: see CORE_FOLDERS.',
          })),
        },
      ],
      'no-console': 'error',
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'setTimeout', 'fetch', 'localStorage'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Randomness comes in as an argument.' },
        { object: 'Date', property: 'now', message: 'The time comes in as an argument.' },
      ],
    },
  },
  {
    // What the packages offer is described in full: what it returns, its arguments with unit and range, and an example that a test repeats.
    files: ['packages/*/src/**/*.ts'],
    plugins: { jsdoc },
    rules: {
      'jsdoc/require-jsdoc': [
        'error',
        { publicOnly: true, require: { ArrowFunctionExpression: true, ClassDeclaration: true, FunctionDeclaration: true }, enableFixer: false },
      ],
      'jsdoc/require-description': ['error', { contexts: EXPORTED_FUNCTIONS }],
      'jsdoc/require-param': ['error', { contexts: EXPORTED_FUNCTIONS, checkDestructured: false, enableFixer: false }],
      'jsdoc/require-param-description': ['error', { contexts: EXPORTED_FUNCTIONS }],
      'jsdoc/check-param-names': ['error', { checkDestructured: false }],
      'jsdoc/require-throws': ['error', { contexts: EXPORTED_FUNCTIONS }],
      'jsdoc/require-example': ['error', { contexts: EXPORTED_FUNCTIONS }],
      'jsdoc/no-types': 'error',
    },
  },
  {
    files: ['packages/contract/src/**/*.ts'],
    rules: forbid({ group: ['node:*', '@angular/*', 'rxjs', 'sequelize', 'express'], message: 'The contract knows zod and the core.' }),
  },
  {
    files: ['packages/formats/src/**/*.ts'],
    rules: forbid({ group: ['node:*', '@angular/*', 'rxjs', 'sequelize', 'express'], message: 'The formats know the contract and the core.' }),
  },
  {
    files: ['apps/server/**/*.ts'],
    rules: forbid({
      group: ['@angular/*', '@cazuela/web', '**/apps/web/**', '**/demo/**'],
      message: 'The server does not know the interface or the demo.',
    }),
  },
  {
    files: ['apps/web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      ...forbid({ group: ['@cazuela/server', '**/apps/server/**', 'node:*'], message: 'The interface does not know the server.' }),
      '@angular-eslint/component-selector': ['error', { type: ['element', 'attribute'], prefix: 'cz', style: 'kebab-case' }],
      '@angular-eslint/directive-selector': ['error', { type: 'attribute', prefix: 'cz', style: 'camelCase' }],
    },
  },
  // A station imports parts and data, never another station.
  ...['home', 'recipe', 'weigh', 'bucket', 'coat', 'piece', 'day', 'kiln', 'wall', 'studio'].map((station) => ({
    files: [`apps/web/src/app/stations/${station}/**/*.ts`],
    ignores: ['**/*.spec.ts'],
    rules: forbid({
      regex: `/(?!${station}/)(home|recipe|weigh|bucket|coat|piece|day|kiln|wall|studio)/(?!.*parts)`,
      message: 'A station imports parts and data, never another station.',
    }),
  })),
  { files: ['apps/web/src/**/*.html'], extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility] },
  {
    // Every field, list and fold stands on the layer in `ui/`: one label, one place for an error, one look.
    files: ['apps/web/src/**/*.html'],
    ignores: ['apps/web/src/app/ui/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'Element[name=/^(input|select|textarea|datalist|dialog|details)$/]', message: 'Use the fields of ui/.' },
        { selector: 'Call[receiver.name="$any"]', message: 'Type it instead: the fields of ui/ hand on typed values.' },
      ],
    },
  },
  {
    files: ['**/*.spec.ts', '**/test/**/*.ts', 'apps/web/src/testing/**/*.ts', 'e2e/**/*.ts', 'bench/**/*.ts', 'scripts/**/*.ts'],
    rules: { '@typescript-eslint/explicit-function-return-type': 'off' },
  },
);
