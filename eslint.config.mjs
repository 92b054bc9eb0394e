import eslint from '@eslint/js';
import ngrx from '@ngrx/eslint-plugin/v9';
import angular from 'angular-eslint';
import { defineConfig, globalIgnores } from 'eslint/config';
import prettier from 'eslint-config-prettier/flat';
import globals from 'globals';
import tseslint from 'typescript-eslint';

// The whole of zod is 454 kB in a bundle when imported by name; as a namespace 90 kB.
const ZOD = {
  selector: "ImportDeclaration[source.value='zod'] ImportSpecifier[imported.name='z']",
  message: "Write import * as z from 'zod'.",
};
// Names that people give are no keys of plain objects: `constructor` would find what nobody put there.
const PLAIN_LOOKUPS = [
  {
    selector: "CallExpression[callee.object.name='Object'][callee.property.name='fromEntries']",
    message: 'Write table(...) of the kernel, or a Map.',
  },
  {
    selector:
      "VariableDeclarator[id.typeAnnotation.typeAnnotation.typeName.name='Record'][init.type='ObjectExpression'][init.properties.length=0]",
    message: 'Write table<...>() of the kernel, or a Map.',
  },
];

export default defineConfig(
  globalIgnores(['**/dist/**', '**/.angular/**', '**/coverage/**', 'e2e/results/**']),
  {
    files: ['**/*.ts'],
    extends: [
      eslint.configs.recommended,
      ...tseslint.configs.strictTypeChecked,
      ...tseslint.configs.stylisticTypeChecked,
    ],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        {
          argsIgnorePattern: '^_',
          varsIgnorePattern: '^_',
          destructuredArrayIgnorePattern: '^_',
          ignoreRestSiblings: true,
        },
      ],
      '@typescript-eslint/no-empty-function': 'off',
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true, allowEmpty: true }],
      '@typescript-eslint/no-unnecessary-condition': 'off',
      '@typescript-eslint/unbound-method': ['error', { ignoreStatic: true }],
      // Angular Material takes plain objects for its configurations, as its own documentation shows.
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      'no-restricted-syntax': ['error', ZOD],
    },
  },
  {
    files: ['packages/**/*.ts'],
    rules: { '@typescript-eslint/no-explicit-any': 'error' },
  },
  {
    files: ['packages/*/src/**/*.ts', 'apps/server/src/**/*.ts'],
    ignores: ['**/*.spec.ts', '**/*.fixture.ts'],
    rules: { 'no-restricted-syntax': ['error', ZOD, ...PLAIN_LOOKUPS] },
  },
  {
    files: ['apps/web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended, ...ngrx.configs.all],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'dk', style: 'kebab-case' }],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      '@ngrx/prefer-effect-callback-in-block-statement': 'off',
    },
  },
  {
    files: ['apps/web/src/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
  },
  {
    files: ['**/*.mjs', '**/*.cjs'],
    extends: [eslint.configs.recommended],
    languageOptions: { globals: { ...globals.node, ...globals.browser, $localize: 'readonly' } },
  },
  prettier,
);
