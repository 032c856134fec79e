import js from '@eslint/js';
import next from '@next/eslint-plugin-next';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/**
 * The import rule of the house: imports point one way.
 *   app -> features -> ui, workers, store -> formats -> core
 * and inside core: plan -> judge -> simulate -> moisture, clothing, body -> effort, atmosphere.
 * Another folder is always named through the `@/` alias; `../` is refused so that the rule can see it.
 */
const order = {
  core: { base: [] },
  formats: ['core'],
  standins: ['core', 'formats'],
  store: ['core', 'formats', 'demo'],
  demo: ['core', 'formats'],
  workers: ['core', 'formats'],
  ui: ['core', 'formats'],
  cli: ['core', 'formats', 'demo'],
  features: ['core', 'formats', 'ui', 'workers', 'store', 'demo', 'standins'],
  app: ['core', 'formats', 'ui', 'workers', 'store', 'demo', 'standins', 'features'],
};

const coreOrder = {
  quantity: [],
  atmosphere: ['quantity'],
  effort: ['quantity', 'atmosphere'],
  body: ['quantity', 'atmosphere', 'effort'],
  clothing: ['quantity', 'atmosphere', 'body'],
  moisture: ['quantity', 'atmosphere', 'body', 'clothing'],
  outing: ['quantity', 'atmosphere', 'effort', 'body', 'clothing'],
  simulate: ['quantity', 'atmosphere', 'effort', 'body', 'clothing', 'moisture', 'outing'],
  judge: ['quantity', 'atmosphere', 'effort', 'body', 'clothing', 'moisture', 'outing', 'simulate'],
  plan: ['quantity', 'atmosphere', 'effort', 'body', 'clothing', 'moisture', 'outing', 'simulate', 'judge'],
  calibrate: ['quantity', 'atmosphere', 'effort', 'body', 'clothing', 'moisture', 'outing', 'simulate', 'judge'],
};

const refuse = (patterns) => ({
  'no-restricted-imports': [
    'error',
    { patterns: [{ group: ['../*', '..'], message: 'Name another folder as @/…' }, ...patterns] },
  ],
});

const layer = (name, allowed, all, prefix) => ({
  files: [`src/${prefix}${name}/**/*.{ts,tsx}`],
  rules: refuse([
    {
      group: all.filter((x) => x !== name && !allowed.includes(x)).map((x) => `@/${prefix}${x}/**`),
      message: `${prefix}${name} may import only ${allowed.join(', ') || 'itself'}; see docs/architecture.md`,
    },
  ]),
});

const outer = Object.keys(order);
const inner = Object.keys(coreOrder);

export default tseslint.config(
  {
    ignores: ['.next/', 'node_modules/', 'build/', 'public/ember.worker.js', 'data/', 'next-env.d.ts', 'test-results/'],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks, '@next/next': next },
    rules: {
      ...reactHooks.configs.recommended.rules,
      ...next.configs.recommended.rules,
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'react-hooks/set-state-in-effect': 'off',
      'react-hooks/refs': 'off',
      'react-hooks/immutability': 'off',
      'react-hooks/preserve-manual-memoization': 'off',
    },
  },
  {
    // Engines differ in the last bit of these; the core must give the same numbers everywhere (quantity/exact.ts).
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: "BinaryExpression[operator='**']", message: 'Multiply out, or use power() of quantity/exact' },
        {
          selector:
            "CallExpression[callee.object.name='Math'][callee.property.name=/^(exp|expm1|log|log1p|log2|log10|pow|sin|cos|tan|sinh|cosh|tanh|cbrt|hypot)$/]",
          message: 'Use quantity/exact: engines differ in the last bit',
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
        setInterval: 'readonly',
        clearInterval: 'readonly',
        performance: 'readonly',
        Buffer: 'readonly',
      },
    },
  },
  ...outer.filter((n) => n !== 'core').map((n) => layer(n, order[n], outer, '')),
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', 'Date', 'window', 'document', 'process', 'fetch', 'performance'],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random', message: 'Core takes a seed.' }],
    },
  },
  ...inner.map((n) => {
    const c = layer(n, coreOrder[n], inner, 'core/');
    const patterns = c.rules['no-restricted-imports'][1].patterns;
    patterns.push({
      group: [
        ...outer.filter((x) => x !== 'core').map((x) => `@/${x}/**`),
        'react',
        'react-*',
        'next',
        'next/*',
        'node:*',
        'postgres',
        'fs',
      ],
      message: 'core is pure: no interface, no database, no files',
    });
    return c;
  }),
);
