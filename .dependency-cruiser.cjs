// The layer rules of ARCHITECTURE.md, held by a tool. Paths, not dependency types: a package of
// another workspace is found too.
const tests = '\\.test\\.tsx?$|/testing/|^server/test/|^e2e/';
const only = (name, from, notTo) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: tests },
  to: notTo,
});

module.exports = {
  forbidden: [
    only('core-is-pure', '^core/src', {
      path: '^(server|app|device|scripts)/|node_modules/(react|react-native|expo|express|pg|idb|@tanstack)',
    }),
    only('core-uses-nothing-of-node', '^core/src/(?!testing/)', { dependencyTypes: ['core'] }),
    only('core-packages', '^core/src', {
      path: 'node_modules/',
      pathNot: 'node_modules/(valibot|canonicalize|@noble/hashes|i18next)/',
    }),
    only('i18next-in-language-only', '^core/src/(?!language/)', {
      path: 'node_modules/i18next/',
    }),
    only('hashes-in-record-only', '^core/src/(?!record/)', {
      path: 'node_modules/(canonicalize|@noble/hashes)/',
    }),
    {
      name: 'no-test-room-in-the-product',
      severity: 'error',
      from: { pathNot: tests },
      to: { path: '^core/src/testing/' },
    },
    only('server-not-app', '^server/', { path: '^app/' }),
    only('only-db-knows-pg', '^server/src/(?!db/|demo/)', { path: 'node_modules/pg/' }),
    only('device-stands-alone', '^device/', { path: '^(app|server)/' }),
    only('app-not-server', '^app/', { path: '^server/' }),
    only('routes-only-lead-to-features', '^app/src/app/', {
      path: '^app/src/(?!features/[^/]+/index|lazyScreens)|^core/',
    }),
    only('features-stay-apart', '^app/src/features/([^/]+)/', {
      path: '^app/src/features/',
      pathNot: '^app/src/features/$1/',
    }),
    only('data-knows-no-screen', '^app/src/data/', { path: '^app/src/(features|ui|app)/' }),
    only('ui-is-props-in-callbacks-out', '^app/src/ui/', {
      path: '^app/src/(data|features|app|platform)/',
    }),
    only('platform-is-the-edge', '^app/src/platform/', {
      path: '^app/src/(data|features|ui|app)/|^core/(?!src/language/)',
    }),
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: 'dist|\\.expo' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.jsx', '.json'],
    },
  },
};
