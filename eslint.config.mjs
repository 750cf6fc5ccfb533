import tseslint from 'typescript-eslint';
import angular from 'angular-eslint';

export default tseslint.config(
  { ignores: ['dist/', '.angular/', 'node_modules/', 'coverage/', '.tmp/'] },
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.recommended, ...tseslint.configs.stylistic],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-definitions': 'off',
      eqeqeq: ['error', 'always'],
      'no-console': 'error',
    },
  },
  {
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        ...['window', 'document', 'navigator', 'fetch', 'setTimeout', 'process', 'performance'].map((name) => ({
          name,
          message: 'core has no interface, no I/O and no clock',
        })),
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'core has no clock: pass asOf' },
        { selector: "MemberExpression[object.name='Date'][property.name='now']", message: 'core has no clock: pass asOf' },
        { selector: "MemberExpression[object.name='Math'][property.name='random']", message: 'core has no randomness without a seed' },
      ],
    },
  },
  { files: ['tools/**/*.ts', 'server/**/*.ts', 'e2e/**/*.ts'], rules: { 'no-console': 'off' } },
  {
    files: ['app/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/directive-selector': ['error', { type: 'attribute', prefix: 'tr', style: 'camelCase' }],
      '@angular-eslint/component-selector': ['error', { type: ['element', 'attribute'], prefix: 'tr', style: 'kebab-case' }],
    },
  },
  {
    files: ['app/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: {
      // radio buttons and checkboxes of NG-ZORRO put their input inside the label; axe checks the result in the browser
      '@angular-eslint/template/label-has-associated-control': 'off',
    },
  },
);
