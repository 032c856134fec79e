import js from '@eslint/js';
import next from '@next/eslint-plugin-next';
import boundaries from 'eslint-plugin-boundaries';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/**
 * The rooms of the house and what each may import. Imports point one way: see docs/architecture.md.
 * Inside the core every room may import those listed before it.
 */
const CORE = [
  'quantity',
  'atmosphere',
  'effort',
  'body',
  'clothing',
  'moisture',
  'outing',
  'kit',
  'simulate',
  'judge',
  'questions',
  'calibrate',
  'search',
  'underway',
  'afterwards',
];
const ROOMS = {
  formats: [],
  standins: ['formats'],
  demo: ['formats'],
  store: ['formats', 'demo'],
  workers: ['formats'],
  sw: [],
  ui: ['formats'],
  cli: ['formats', 'demo'],
  features: ['formats', 'ui', 'workers', 'store', 'demo', 'standins'],
  app: ['formats', 'ui', 'workers', 'store', 'demo', 'standins', 'features'],
};
const core = CORE.map((room) => `core-${room}`);
const elements = [
  ...CORE.map((room) => ({ type: `core-${room}`, pattern: `src/core/${room}` })),
  ...Object.keys(ROOMS).map((room) => ({ type: room, pattern: `src/${room}` })),
];
const mayImport = (from, types) => ({
  from: { element: { type: from } },
  allow: { to: { element: { types: { anyOf: [from, ...types] } } } },
});
const policies = [
  ...CORE.map((room, i) => mayImport(`core-${room}`, core.slice(0, i))),
  ...Object.entries(ROOMS).map(([room, others]) => mayImport(room, [...core, ...others])),
];

export default tseslint.config(
  {
    ignores: ['.next/', 'node_modules/', 'build/', 'public/*.js', 'data/', 'next-env.d.ts', 'test-results/'],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    // The core, the formats and the store have no screens: rules about components say nothing there.
    files: ['src/{app,features,ui,workers,sw}/**/*.{ts,tsx}', 'tests/**/*.tsx'],
    plugins: { 'react-hooks': reactHooks, '@next/next': next },
    rules: {
      // The plug-in's other rules say what React's compiler would stumble over. It is not used here, and asking it takes as long as
      // all other rules together.
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'warn',
      ...next.configs.recommended.rules,
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    plugins: { boundaries },
    settings: {
      'boundaries/elements': elements,
      'import/resolver': { typescript: { project: 'tsconfig.json' } },
    },
    rules: {
      'boundaries/dependencies': ['error', { default: 'disallow', policies }],
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: ['../*', '..'], message: 'Name another folder as @/…, so that the import rule sees it.' },
          ],
        },
      ],
      'max-params': ['error', 5],
      'no-restricted-syntax': [
        'error',
        {
          selector:
            ':matches(FunctionDeclaration, MethodDefinition > FunctionExpression, ArrowFunctionExpression) > Identifier.params[typeAnnotation.typeAnnotation.type="TSBooleanKeyword"]',
          message: 'A boolean says nothing where it is passed: take a word, or two functions.',
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', 'Date', 'window', 'document', 'process', 'fetch', 'performance'],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random', message: 'Core takes a seed.' }],
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: ['../*', '..'], message: 'Name another folder as @/…, so that the import rule sees it.' },
            {
              group: ['react', 'react-*', 'next', 'next/*', 'node:*', 'postgres', 'fs'],
              message: 'core is pure: no interface, no database, no files',
            },
          ],
        },
      ],
      // Engines differ in the last bit of these; the core must give the same numbers everywhere (quantity/exact.ts).
      'no-restricted-syntax': [
        'error',
        { selector: "BinaryExpression[operator='**']", message: 'Multiply out, or use power() of quantity/exact' },
        {
          selector:
            "CallExpression[callee.object.name='Math'][callee.property.name=/^(exp|expm1|log|log1p|log2|log10|pow|sin|cos|tan|sinh|cosh|tanh|cbrt|hypot)$/]",
          message: 'Use quantity/exact: engines differ in the last bit',
        },
        {
          selector:
            ':matches(FunctionDeclaration, MethodDefinition > FunctionExpression, ArrowFunctionExpression) > Identifier.params[typeAnnotation.typeAnnotation.type="TSBooleanKeyword"]',
          message: 'A boolean says nothing where it is passed: take a word, or two functions.',
        },
      ],
    },
  },
  {
    files: ['**/*.{mjs,js}'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        setTimeout: 'readonly',
        clearTimeout: 'readonly',
        fetch: 'readonly',
        AbortSignal: 'readonly',
        setInterval: 'readonly',
        clearInterval: 'readonly',
        performance: 'readonly',
        Buffer: 'readonly',
      },
    },
  },
);
