import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const onlyThroughIndex = {
  // Tests may draw builds as the core's own tests do.
  regex: '@apple-cart/core/(?!test$).+|.*/core/src/.+',
  message: 'The core is reached only through its public index.',
};

/** Files with one function longer than a screen; nothing is added here without a reason in the review. */
const LONG = [
  'web/src/charts/range-chart.ts', // rangeChart: one ECharts option, three panels on one axis
  'web/src/fields/number-field.tsx', // NumberField: value, unit, source and doubt of one quantity
  'web/src/routes/import-route.tsx', // Look: what was read, before it is kept
  'web/src/routes/profile-editor.tsx', // ProfileEditor: drag and keys over one picture
  'web/src/routes/stretch-table.tsx', // StretchTable: one row of many fields
  'web/src/rules/rules-editor.tsx', // RulesEditor: one form of many sections
];

export default tseslint.config(
  { ignores: ['**/node_modules', '**/dist', 'data', 'coverage', '.test-results', 'docs', '**/zz-*'] },
  js.configs.recommended,
  {
    files: ['**/*.mjs', '**/*.js', '**/*.cjs'],
    languageOptions: { globals: { process: 'readonly', console: 'readonly', module: 'writable' } },
  },
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [tseslint.configs.strictTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      'no-restricted-imports': ['error', { patterns: [onlyThroughIndex] }],
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      'no-nested-ternary': 'error',
      // Words of a union are told apart by the types themselves; so there is nothing for the rules of enums to look at.
      'no-restricted-syntax': ['error', 'TSEnumDeclaration'],
      '@typescript-eslint/no-unsafe-enum-assignment': 'off',
      '@typescript-eslint/no-unsafe-enum-comparison': 'off',
    },
  },
  {
    // What draws documents over a whole schema needs the schema itself.
    files: ['torture/**/*.ts'],
    rules: { 'no-restricted-imports': 'off' },
  },
  {
    // The core computes: no interface, server, file system or clock gets in.
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/src/test/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex:
                '^(?!\\.{1,2}/|(zod|saxes|d3-array|d3-random|ml-levenberg-marquardt|ml-matrix|date-fns|@date-fns/utc|ical-generator)$)',
            },
          ],
        },
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Chance is seeded and given.' },
        { object: 'Date', property: 'now', message: 'The core has no clock.' },
      ],
    },
  },
  {
    // A function fits a screen, save those named here: forms and pictures whose parts read best in one place.
    files: ['{core,contracts,server,web}/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', '**/test/**', ...LONG],
    rules: { 'max-lines-per-function': ['error', { max: 120, skipBlankLines: true, skipComments: true }] },
  },
  {
    // What they look for is compiled for it: that is left out where nothing is shown.
    files: ['web/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    ...hooks.configs.flat.recommended,
  },
);
