import js from '@eslint/js';
import boundaries from 'eslint-plugin-boundaries';
import hooks from 'eslint-plugin-react-hooks';
import { defineConfig } from 'eslint/config';
import ts from 'typescript-eslint';

export default defineConfig(
  { ignores: ['dist', 'src/shared/api/schema.gen.d.ts', 'eslint.config.js'] },
  js.configs.recommended,
  ts.configs.strictTypeChecked,
  {
    languageOptions: { parserOptions: { projectService: true } },
    plugins: { boundaries, 'react-hooks': hooks },
    settings: {
      'import/resolver': { node: { extensions: ['.ts', '.tsx', '.js'] } },
      'boundaries/elements': [
        { type: 'task', pattern: 'src/tasks/*', capture: ['task'] },
        { type: 'shared', pattern: 'src/shared/*' },
        { type: 'app', partialMatch: false, pattern: 'src/{main,app/*}.{ts,tsx}' },
      ],
    },
    rules: {
      ...hooks.configs.recommended.rules,
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': 'off',
      // Tasks do not import one another; shared imports no task (ARCHITECTURE.md).
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          policies: [
            {
              from: { element: { type: 'app' } },
              allow: { to: { element: { type: ['task', 'shared', 'app'] } } },
            },
            {
              from: { element: { type: 'task' } },
              allow: [
                { to: { element: { type: 'shared' } } },
                {
                  to: {
                    element: { type: 'task', captured: { task: '{{from.element.captured.task}}' } },
                  },
                },
              ],
            },
            {
              from: { element: { type: 'shared' } },
              allow: { to: { element: { type: 'shared' } } },
            },
          ],
        },
      ],
    },
  },
  {
    // The service worker is shipped as it is written: no types, its own globals.
    files: ['public/*.js'],
    extends: [ts.configs.disableTypeChecked],
    languageOptions: {
      parserOptions: { projectService: false },
      globals: { self: 'readonly', caches: 'readonly', fetch: 'readonly', URL: 'readonly' },
    },
  },
);
