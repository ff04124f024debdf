import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const TSCONFIGS = ['packages/core', 'packages/formats', 'apps/server', 'apps/web', 'e2e'].map(
  (part) => `${part}/tsconfig.json`,
);

/** What can be exported under a name, and words that say too little of what they name. */
const NAMED = 'FunctionDeclaration, ClassDeclaration, TSInterfaceDeclaration, TSTypeAliasDeclaration';
const RIDDLES = /^(told|asked|standing|ground|madeUp)([A-Z]|$)|(Told|Asked|Standing|Ground|MadeUp)([A-Z]|$)/;

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'data/**', 'coverage/**'] },
  ...tseslint.configs.recommended,
  {
    // What only types can tell: promises that nobody waits for, and their kin.
    files: ['packages/**/*.ts', 'apps/**/*.{ts,tsx}', 'e2e/**/*.ts'],
    languageOptions: { parserOptions: { project: TSCONFIGS, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/require-await': 'error',
      '@typescript-eslint/return-await': ['error', 'in-try-catch'],
      '@typescript-eslint/only-throw-error': 'error',
      '@typescript-eslint/no-unnecessary-type-assertion': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      '@typescript-eslint/no-base-to-string': 'error',
      '@typescript-eslint/restrict-plus-operands': 'error',
    },
  },
  {
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-explicit-any': 'error',
      // A type inferred from a schema is named by an interface, so that messages of the compiler show the name.
      '@typescript-eslint/no-empty-object-type': ['error', { allowInterfaces: 'with-single-extends' }],
      eqeqeq: 'error',
      'no-console': 'error',
      // The compiler looks for unknown and doubled properties only where an object is written out.
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ObjectExpression > SpreadElement > ObjectExpression',
          message: 'Write the properties out.',
        },
        { selector: 'JSXSpreadAttribute > ObjectExpression', message: 'Write the properties out.' },
        {
          selector: `ExportNamedDeclaration > :matches(${NAMED})[id.name=${RIDDLES}]`,
          message: 'Name what it is, in the words of the field or of programming.',
        },
      ],
      'max-lines': ['error', { max: 350, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    // Nest reads the classes of constructor parameters at run time, so they must stay real imports.
    files: ['apps/server/**/*.ts'],
    rules: { '@typescript-eslint/consistent-type-imports': 'off' },
  },
  {
    files: ['apps/web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
);
