/** The arrows of docs/architecture.md: app -> features/<screen> -> features/train -> help -> figures -> ui -> core, and features -> wire, workers; app -> server -> wire, core; workers, wire, cli -> core. */
const layer = (name, from, allowed) => ({
  name,
  severity: 'error',
  comment: `${from} may use only: ${allowed.join(', ') || 'itself'}`,
  from: { path: `^src/${from}/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^src/', pathNot: [`^src/${from}/`, ...allowed.map((a) => `^src/${a}/`)] },
});

module.exports = {
  forbidden: [
    layer('core-stands-alone', 'core', []),
    layer('server-uses-core-and-wire', 'server', ['core', 'wire']),
    layer('wire-uses-core', 'wire', ['core']),
    layer('ui-uses-core', 'ui', ['core']),
    layer('figures-use-ui-and-core', 'figures', ['ui', 'core']),
    layer('help-uses-figures', 'help', ['figures', 'ui', 'core']),
    layer('features-use-the-rooms-below', 'features', ['help', 'figures', 'ui', 'core', 'workers', 'wire']),
    layer('workers-use-core', 'workers', ['core']),
    {
      ...layer('cli-uses-core-and-figures', 'cli', ['core', 'ui', 'figures']),
      from: { path: '^src/cli/', pathNot: ['\\.test\\.tsx?$', '^src/cli/database/'] },
    },
    layer('data-commands-use-the-server', 'cli/database', ['core', 'server', 'cli']),
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'core imports only itself and small pure libraries: no Node API, no interface, no database',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(?!src/core/)', pathNot: '^node_modules/(zod|earcut|fastest-levenshtein|fflate)/' },
    },
    {
      name: 'core-is-tested-by-itself',
      severity: 'error',
      comment: 'tests of the core use the core and src/testing, no command line and no screen',
      from: { path: '^src/core/.*\\.test\\.ts$' },
      to: { path: '^src/(?!core/|testing/)' },
    },
    {
      name: 'core-modules-have-one-entry',
      severity: 'error',
      comment: 'inside core a module is entered by its index.ts only',
      from: { path: '^src/core/([^/]+)/' },
      to: { path: '^src/core/[^/]+/', pathNot: ['^src/core/$1/', '/index\\.ts$'] },
    },
    {
      name: 'core-is-entered-by-index',
      severity: 'error',
      from: { path: '^src/(?!core/)' },
      to: { path: '^src/core/[^/]+/', pathNot: '/index\\.ts$' },
    },
    {
      name: 'features-do-not-mix',
      severity: 'error',
      comment:
        'a screen does not reach into another screen; what all share is in features/train, which knows none of them',
      from: { path: '^src/features/([^/]+)/' },
      to: { path: '^src/features/', pathNot: ['^src/features/$1/', '^src/features/train/'] },
    },
    {
      name: 'the-shelf-opens-no-train',
      severity: 'error',
      from: { path: '^src/features/shelf/' },
      to: { path: '^src/features/train/' },
    },
    {
      name: 'testing-is-for-tests',
      severity: 'error',
      comment: 'what src/testing makes (random trains, demo trains by name) never ships',
      from: { path: '^src/', pathNot: ['\\.test\\.tsx?$', '^src/testing/'] },
      to: { path: '^src/testing/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
  },
};
