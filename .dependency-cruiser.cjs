/** What never imports what. Each rule tells the way out. */
module.exports = {
  forbidden: [
    {
      name: 'core-knows-only-itself',
      severity: 'error',
      comment: 'Core imports its own files and Yup. Pass what it needs as an argument.',
      from: { path: '^packages/core/src/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: ['^packages/core/src/', 'node_modules/yup/'] },
    },
    {
      name: 'the-figure-knows-core-and-three',
      severity: 'error',
      comment: 'The figure draws what core says; it knows no page and no server.',
      from: { path: '^packages/figure/src/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: ['^packages/(figure|core)/', 'node_modules/(three|@types/three)/'] },
    },
    {
      name: 'the-server-draws-nothing',
      severity: 'error',
      comment: 'Stills are made by scripts/stills.mjs; the server only hands them out.',
      from: { path: '^packages/(server|core)/' },
      to: { path: '^packages/figure/' },
    },
    {
      name: 'web-and-server-meet-in-core',
      severity: 'error',
      comment: 'They meet in core and over HTTP.',
      from: { path: '^packages/web/' },
      to: { path: '^packages/server/' },
    },
    {
      name: 'server-and-web-meet-in-core',
      severity: 'error',
      comment: 'They meet in core and over HTTP.',
      from: { path: '^packages/server/' },
      to: { path: '^packages/web/' },
    },
    {
      name: 'features-do-not-know-each-other',
      severity: 'error',
      comment:
        'A feature is one clinical task and can be removed alone. Move what two need to shared, or its rules to core.',
      from: { path: '^packages/web/src/features/([^/]+)/' },
      to: { path: '^packages/web/src/features/', pathNot: '^packages/web/src/features/$1/' },
    },
    {
      name: 'features-are-entered-by-their-door',
      severity: 'error',
      comment: 'Import the feature’s index: routes are all that the rest of the app may know of it.',
      from: { path: '^packages/web/src/(clinic|phone|shared)/' },
      to: { path: '^packages/web/src/features/[^/]+/', pathNot: '/index\\.ts$' },
    },
    {
      name: 'shared-knows-no-feature',
      severity: 'error',
      comment: 'Shared parts serve features; they do not know them.',
      from: { path: '^packages/web/src/shared/' },
      to: { path: '^packages/web/src/(features|clinic|phone)/' },
    },
    {
      name: 'routes-do-not-know-each-other',
      severity: 'error',
      comment: 'Move what two routes need to cases or to core.',
      from: { path: '^packages/server/src/routes/([^/]+)\\.ts$' },
      to: { path: '^packages/server/src/routes/', pathNot: '^packages/server/src/routes/$1\\.ts$' },
    },
    {
      name: 'one-place-knows-the-database',
      severity: 'error',
      comment: 'Only data/ speaks to MariaDB; routes and plugins may name the errors it throws.',
      from: { path: '^packages/(?!server/src/(data|routes|plugins)/)' },
      to: { path: 'node_modules/(sequelize|mariadb)/' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      comment: 'Split what two files share into a third.',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'no-orphans-in-src',
      severity: 'error',
      comment: 'Delete what nothing uses.',
      from: {
        orphan: true,
        path: '^packages/[^/]+/src/',
        pathNot: ['\\.test\\.ts$', '\\.d\\.ts$', '\\.css$', 'cli/', 'main\\.ts$'],
      },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      conditionNames: ['pledge-source', 'import', 'default'],
      exportsFields: ['exports'],
    },
  },
}
