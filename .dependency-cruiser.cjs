/** Imports run downward only: app and server over core, demo and e2e beside them. */
module.exports = {
  forbidden: [
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/src' },
      to: { path: '^(app|server|demo|e2e)/' },
    },
    {
      name: 'core-without-node',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$|/testing/|/checks/' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'app-above-core-only',
      severity: 'error',
      from: { path: '^app/src', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^(server|demo|e2e)/' },
    },
    {
      name: 'server-alone',
      severity: 'error',
      from: { path: '^server/src' },
      to: { path: '^(app|demo|e2e)/' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'units-know-nothing',
      severity: 'error',
      from: { path: '^core/src/units' },
      to: { path: '^core/src/(?!units|problem)' },
    },
    {
      name: 'graph-knows-no-jobs',
      severity: 'error',
      from: { path: '^core/src/graph' },
      to: { path: '^core/src/(job|takeoff|estimate|pricing|calculate)' },
    },
    {
      name: 'components-know-no-stage',
      severity: 'error',
      from: { path: '^app/src/(components|tables)' },
      to: { path: '^app/src/stages' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\?(url|raw|worker)$' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'default'] },
  },
};
