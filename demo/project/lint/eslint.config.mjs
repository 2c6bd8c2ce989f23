import tseslint from 'typescript-eslint';
export default tseslint.config(...tseslint.configs.strictTypeChecked, { ignores: ['**/*.validate.js'] }, { languageOptions: { parserOptions: { project: './tsconfig.json', tsconfigRootDir: import.meta.dirname } } });
