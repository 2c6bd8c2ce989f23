import globals from 'globals';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      '.dependency-cruiser.cjs',
      'jest.setup.cjs',
      'scripts/*.cjs',
      '**/dist/**',
      '**/node_modules/**',
      'test-results/**',
      '.cache/**',
      'demo/project/**',
    ],
  },
  ...tseslint.configs.strictTypeChecked,
  {
    languageOptions: {
      parserOptions: {
        projectService: {
          allowDefaultProject: ['*.js', '*.mjs', 'scripts/*.mjs', 'bench/*.mjs', 'apps/workbench/vite.config.ts'],
        },
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true, allowBoolean: true }],
      '@typescript-eslint/no-confusing-void-expression': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/unbound-method': 'off',
      // A signal is read to be followed, and its value thrown away.
      '@typescript-eslint/no-meaningless-void-operator': 'off',
      '@typescript-eslint/no-dynamic-delete': 'off',
      '@typescript-eslint/no-base-to-string': 'off',
      '@typescript-eslint/no-misused-spread': 'off',
      '@typescript-eslint/no-useless-default-assignment': 'off',
      'no-eval': 'error',
      'no-new-func': 'error',
    },
  },
  {
    files: ['packages/react/**', 'apps/workbench/**'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  // What a person reads comes from the catalogue of words, so that it can be in another language.
  {
    files: ['packages/react/src/**/*.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...[
          'JSXText[value=/\\p{L}/u]',
          'JSXAttribute[name.name=/^(aria-label|title|placeholder|alt)$/] Literal[value=/\\p{L}/u]',
        ].map((selector) => ({ selector, message: 'Text for a person comes from words/, by useWords.' })),
      ],
    },
  },
  // What the tests read back is foreign JSON, and they say what they expect of it.
  { files: ['**/test/**', 'e2e/**'], rules: { '@typescript-eslint/no-non-null-assertion': 'off' } },
  { files: ['**/*.js', '**/*.mjs'], ...tseslint.configs.disableTypeChecked },
  // No compiler reads the scripts, so nobody else would miss an import; some hand functions to a page.
  {
    files: ['**/*.mjs'],
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
    rules: { 'no-undef': 'error' },
  },
);
