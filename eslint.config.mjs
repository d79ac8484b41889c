import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Hooks only, which the other linter (.oxlintrc.json) does not see as deeply; everything else is its. */
export default tseslint.config(
  { ignores: ['**/dist/', '**/node_modules/', '.local/', 'docs/', '**/*.test.*'] },
  {
    files: ['packages/web/src/**/*.ts', 'packages/web/src/**/*.tsx'],
    languageOptions: { parser: tseslint.parser },
    plugins: { 'react-hooks': reactHooks, '@typescript-eslint': tseslint.plugin },
    // What is silenced for the other linter is none of this one's.
    linterOptions: { reportUnusedDisableDirectives: 'off' },
    rules: reactHooks.configs.recommended.rules,
  },
);
