import js from '@eslint/js'
import tseslint from 'typescript-eslint'
import reactHooks from 'eslint-plugin-react-hooks'

/** Of several rules of one name the last that holds for a file counts alone: each says all that it wants. */
const EVERYWHERE = [
  {
    selector: "ImportDeclaration[source.value='typebox'] > ImportDefaultSpecifier",
    message: 'Import * as Type: by its default a page takes it whole.',
  },
]
const SHOWN = [
  ...EVERYWHERE,
  {
    selector: "CallExpression[callee.property.name='slice'][callee.object.callee.property.name='toISOString']",
    message: 'What people read is the day of their venue: dayIn of core/units/day.',
  },
]

export default tseslint.config(
  { ignores: ['node_modules/', '.next/', 'public/', '.data/', '.generated/', 'next-env.d.ts', '**/*.cjs', '*.mjs'] },
  js.configs.recommended,
  ...tseslint.configs.recommendedTypeChecked,
  { languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } } },
  { files: ['**/*.tsx'], plugins: { 'react-hooks': reactHooks }, rules: { ...reactHooks.configs.recommended.rules } },
  {
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-restricted-syntax': ['error', ...EVERYWHERE],
      'no-restricted-globals': ['error', { name: 'event', message: 'Name the event you mean.' }],
    },
  },
  {
    files: ['app/**/*.tsx', 'ui/**/*.tsx'],
    ignores: ['ui/parts/link.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        { name: 'next/link', message: 'Use Link of ui/parts/link: it asks for no page before it is wanted.' },
      ],
    },
  },
  {
    files: ['app/**/*.{ts,tsx}', 'ui/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: { 'no-restricted-syntax': ['error', ...SHOWN] },
  },
  {
    files: ['app/**/*.tsx', 'app/_parts/**/*.ts', 'ui/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: {
      'no-restricted-globals': [
        'error',
        { name: 'event', message: 'Name the event you mean.' },
        { name: 'fetch', message: 'Use reach of ui/reach: it gives up in time, and whoever waits is told.' },
      ],
    },
  },
  {
    files: ['app/_server/**/*.ts', 'app/api/**/*.ts'],
    ignores: ['**/*.test.ts', 'app/_server/of-process.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...SHOWN,
        ...["[kind='let']", ' > VariableDeclarator > NewExpression[arguments.length=0]'].map((what) => ({
          selector: `:matches(Program, ExportNamedDeclaration) > VariableDeclaration${what}`,
          message: 'Pages and routes each load this module: what the process keeps stands in ofProcess().',
        })),
      ],
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The core takes `now` as an argument.' },
        { object: 'Math', property: 'random', message: 'The core takes a seeded source of randomness as an argument.' },
      ],
      'no-restricted-globals': ['error', 'process', 'window', 'document', 'fetch'],
    },
  },
)
