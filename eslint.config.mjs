import tseslint from 'typescript-eslint';
import reactHooks from 'eslint-plugin-react-hooks';

const coreBans = {
  'no-restricted-globals': [
    'error',
    'window',
    'document',
    'navigator',
    'localStorage',
    'fetch',
    'setTimeout',
    'setInterval',
    'performance',
    'crypto',
    'process',
    'Buffer',
  ],
  'no-restricted-imports': ['error', { patterns: ['node:*', 'react*', '@zest/*', 'fs', 'path'] }],
  'no-restricted-syntax': [
    'error',
    {
      selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
      message: 'core has no clock: take the time as an argument.',
    },
    {
      selector: "NewExpression[callee.name='Date'][arguments.length=0]",
      message: 'core has no clock: take the time as an argument.',
    },
    {
      selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
      message: 'core has no chance: take it as an argument.',
    },
  ],
};

const functionOf = (max) => ({
  'max-lines-per-function': ['error', { max, skipBlankLines: true, skipComments: true }],
});

export default tseslint.config(
  { ignores: ['**/dist/**', '.cache/**', '**/node_modules/**', 'demo/files/**', 'test-results/**'] },
  ...tseslint.configs.strict,
  {
    files: ['**/*.{ts,tsx}'],
    ...tseslint.configs.recommendedTypeCheckedOnly[0],
    languageOptions: {
      parserOptions: {
        projectService: { allowDefaultProject: ['app/vite.config.ts', 'playwright.config.ts'] },
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': [
        'error',
        { checksVoidReturn: { attributes: false, properties: false } },
      ],
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-invalid-void-type': 'off',
      '@typescript-eslint/no-dynamic-delete': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-restricted-syntax': [
        'error',
        { selector: 'ExportDefaultDeclaration', message: 'Name what you export.' },
      ],
      'max-lines': ['error', { max: 400, skipComments: true }],
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/src/testing/**', 'core/src/checks/**'],
    rules: coreBans,
  },
  {
    files: ['app/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['app/src/**/*.tsx'],
    ignores: ['app/src/parts/**', '**/*.test.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'ExportDefaultDeclaration', message: 'Name what you export.' },
        {
          selector: 'JSXOpeningElement[name.name=/^(button|select|input|textarea)$/]',
          message: 'Controls come from parts/, which build on Chakra UI.',
        },
        {
          selector: 'JSXText[value=/[A-Za-z]{2}/]',
          message: 'Words come from the catalogs: t() of messages/t.ts.',
        },
        {
          selector:
            'JSXAttribute[name.name=/^(aria-label|aria-description|alt|title|placeholder|label|hint|legend|heading|word)$/] > Literal[value=/[A-Za-z]{2}/]',
          message: 'Words come from the catalogs: t() of messages/t.ts.',
        },
        {
          selector:
            ':matches(JSXElement, JSXAttribute[name.name=/^(aria-label|title|placeholder|label|hint|word)$/]) > JSXExpressionContainer > TemplateLiteral > TemplateElement[value.raw=/[A-Za-z]{3}/]',
          message: 'Words come from the catalogs: t() of messages/t.ts.',
        },
        {
          selector:
            ':matches(JSXElement, JSXAttribute[name.name=/^(aria-label|title|placeholder|label|hint|word)$/]) > JSXExpressionContainer > ConditionalExpression > Literal[value=/[A-Za-z]{2}/]',
          message: 'Words come from the catalogs: t() of messages/t.ts.',
        },
      ],
    },
  },
  {
    files: ['app/src/**', 'core/src/**', 'server/src/**'],
    // The library and what tests are made of are tables; a test file is one long list of facts.
    ignores: [
      '**/*.test.{ts,tsx}',
      'core/src/testing/**',
      'core/src/library/**',
      '**/*.{css,json}',
      '**/fixtures/**',
    ],
    rules: functionOf(60),
  },
  // Catalogs are tables.
  { files: ['app/src/messages/en/**'], rules: { 'max-lines': 'off' } },
  {
    files: ['**/*.test.{ts,tsx}', 'e2e/**'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off', 'max-lines': 'off' },
  },
  {
    files: ['demo/src/main.ts', 'server/src/main.ts', 'scripts/**', 'e2e/bench/**', 'e2e/screenshots.ts'],
    rules: { 'no-console': 'off' },
  },
  { files: ['**/*.config.{ts,mjs}', 'scripts/**', '**/*.d.ts'], rules: { 'no-restricted-syntax': 'off' } },
);
