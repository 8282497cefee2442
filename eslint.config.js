import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const onlyThroughIndex = {
  regex: '@apple-cart/core/.+|.*/core/src/.+',
  message: 'The core is reached only through its public index.',
};

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
    },
  },
  {
    // The core computes: no interface, server, file system or clock gets in.
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/src/test/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: '^(?!\\.{1,2}/|(zod|saxes|d3-array|d3-random)$)' }] },
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Chance is seeded and given.' },
        { object: 'Date', property: 'now', message: 'The core has no clock.' },
      ],
    },
  },
  { files: ['web/src/**/*.{ts,tsx}'], ...hooks.configs.flat.recommended },
);
