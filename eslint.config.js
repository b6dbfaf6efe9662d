const expo = require('eslint-config-expo/flat');

const node = Object.fromEntries(
  [
    '__dirname',
    '__filename',
    'module',
    'require',
    'process',
    'console',
    'Buffer',
    'URL',
    'fetch',
    'setTimeout',
    'clearTimeout',
    'globalThis',
  ].map((k) => [k, 'readonly']),
);
const impure = [
  {
    selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
    message: 'core reads no clock: time comes in the event',
  },
  {
    selector: "NewExpression[callee.name='Date'][arguments.length=0]",
    message: 'core reads no clock: time comes in the event',
  },
  {
    selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
    message: 'core knows no chance',
  },
  {
    selector: "CallExpression[callee.property.name='randomUUID']",
    message: 'ids come from outside core',
  },
];
// What is longer than these does two things. Tests may be as long as a file, not longer.
const perFunction = { skipBlankLines: true, skipComments: true };
const sizes = {
  'max-lines': ['error', { max: 300 }],
  'max-lines-per-function': ['error', { ...perFunction, max: 60 }],
};
const widths = {
  code: 100,
  ignoreStrings: true,
  ignoreTemplateLiterals: true,
  ignoreRegExpLiterals: true,
  ignoreUrls: true,
};
// Nothing is drawn outside the app.
const aboutReact = Object.fromEntries(
  expo
    .flatMap((part) => Object.keys(part.rules ?? {}))
    .filter((rule) => rule.startsWith('react'))
    .map((rule) => [rule, 'off']),
);
const tests = ['**/*.test.ts', '**/*.test.tsx', '**/testing/**', 'server/test/**', 'e2e/**'];

module.exports = [
  ...expo,
  {
    ignores: [
      '**/dist/**',
      '**/.expo/**',
      '**/.shaken/**',
      'app/src/ui/icons.gen.ts',
      'app/expo-env.d.ts',
      'test-results/**',
    ],
  },
  {
    settings: {
      'import/resolver': {
        typescript: {
          project: [
            'app/tsconfig.json',
            'core/tsconfig.json',
            'device/tsconfig.json',
            'server/tsconfig.json',
          ],
        },
      },
    },
  },
  {
    files: ['**/*.cjs', '**/*.mjs', '**/*.config.js', 'scripts/**', 'bench/**'],
    languageOptions: { globals: node },
    rules: { 'import/namespace': 'off' },
  },
  {
    // Reads whole packages for what no one does by mistake here.
    rules: { 'import/no-named-as-default': 'off', 'import/no-named-as-default-member': 'off' },
  },
  {
    files: ['**/*.ts', '**/*.tsx'],
    rules: {
      // The types say it, and faster.
      'import/namespace': 'off',
      'import/no-unresolved': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      'no-restricted-exports': ['error', { restrictDefaultExports: { namespaceFrom: true } }],
      '@typescript-eslint/consistent-type-imports': [
        'error',
        { fixStyle: 'inline-type-imports', disallowTypeAnnotations: false },
      ],
      eqeqeq: 'error',
    },
  },
  {
    files: ['**/*.test.{ts,tsx}'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ExportNamedDeclaration',
          message: 'Whoever imports a file of tests runs them once more: it exports nothing',
        },
      ],
    },
  },
  { files: ['**/*'], ignores: ['app/**'], rules: aboutReact },
  { files: ['app/**/*.test.ts', 'app/**/*.test.tsx'], rules: aboutReact },
  {
    files: ['core/src/**/*.ts'],
    ignores: tests,
    rules: { 'no-restricted-syntax': ['error', ...impure] },
  },
  {
    files: ['server/src/**/*.ts'],
    ignores: tests,
    rules: { 'expo/no-dynamic-env-var': 'off' },
  },
  {
    files: ['server/src/{followUps,http,order,record,routes,run}/**/*.ts'],
    ignores: tests,
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='query']",
          message: 'SQL stands in db/<noun>.ts, where its rows are parsed',
        },
      ],
    },
  },
  {
    files: ['**/*.ts', '**/*.tsx', '**/*.mjs', '**/*.cjs'],
    rules: { ...sizes, 'max-len': ['error', widths] },
  },
  // A form is as long as its fields, a report as its rows.
  {
    files: ['**/*.tsx', 'scripts/**', 'bench/**'],
    rules: { 'max-lines-per-function': ['error', { ...perFunction, max: 120 }] },
  },
  // A describe is a list, not a function that does two things.
  { files: tests, rules: { 'max-lines-per-function': 'off' } },
  {
    // A screen asks by hooks and changes by functions of app/src/data: keys and calls have one
    // place each.
    files: ['app/src/features/**/*.ts', 'app/src/features/**/*.tsx'],
    ignores: ['app/src/features/account/Root.tsx', ...tests],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            '@tanstack/react-query',
            { name: '@/data', importNames: ['call', 'queryClient'] },
          ],
        },
      ],
    },
  },
  { files: ['e2e/**'], rules: { 'no-empty-pattern': 'off' } },
];
