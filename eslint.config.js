import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

/** Rules that compile each component to look at it take longer than all others: the lane that takes its time has them. */
const isWhole = process.env.OTTER_LANE !== 'short'
const COMPILER_RULES = {
  ...reactHooks.configs.recommended.rules,
  'react-hooks/refs': 'off',
  'react-hooks/set-state-in-effect': 'off',
}

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/dist-dev/**',
      '**/dist-test-*/**',
      '.tsbuild/**',
      'node_modules/**',
      '**/*.cjs',
      '**/test-results/**',
    ],
  },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: 'error',
      complexity: ['error', 22],
      'max-depth': ['error', 4],
      'max-params': ['error', 6],
      'max-nested-callbacks': ['error', 5],
      'no-console': ['error', { allow: ['error', 'warn'] }],
    },
  },
  { files: ['scripts/**', 'bench/**'], rules: { 'no-console': 'off' } },
  {
    files: ['packages/web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: {
      ...(isWhole ? COMPILER_RULES : {}),
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'warn',
    },
  },
)
