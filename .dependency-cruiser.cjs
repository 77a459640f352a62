/** The arrows between packages: web -> api -> core, server -> api -> core; no game knows another. */
const rule = (name, from, to) => ({ name, severity: 'error', from, to })
module.exports = {
  forbidden: [
    rule('no-circles', {}, { circular: true }),
    rule('core-stands-alone', { path: '^packages/core/src' }, { path: '^packages/(api|server|web)' }),
    rule(
      'core-uses-few-packages',
      { path: '^packages/core/src' },
      {
        dependencyTypes: ['npm', 'core'],
        pathNot:
          'node_modules/(zod|papaparse|@types/papaparse|unicode-segmenter|n2words|ts-fsrs|naughty-words|fflate|read-excel-file|write-excel-file)/',
      },
    ),
    rule('api-knows-core-only', { path: '^packages/api' }, { path: '^packages/(server|web)' }),
    rule('server-not-web', { path: '^packages/server' }, { path: '^packages/web' }),
    rule('web-not-server', { path: '^packages/web' }, { path: '^packages/server' }),
    // All games but the quiz: others may ask as it does.
    rule(
      'games-apart-in-core',
      { path: '^packages/core/src/games/([^/]+)/' },
      { path: '^packages/core/src/games/([^/]+)/', pathNot: '^packages/core/src/games/($1|quiz)/' },
    ),
    rule(
      'games-apart-in-web',
      { path: '^packages/web/src/games/([^/]+)/' },
      { path: '^packages/web/src/games/([^/]+)/', pathNot: '^packages/web/src/games/($1|quiz)/' },
    ),
    rule(
      'ui-knows-no-domain',
      { path: '^packages/web/src/ui' },
      { path: '^packages/(core|api)|^packages/web/src/(pages|games|api)' },
    ),
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: 'dist|\\.json$' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] },
  },
}
