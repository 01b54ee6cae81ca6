/** The folders of core from the ground up. What stands on one line may not import each other's folder. */
const LAYERS = [
  ['problem'],
  ['units'],
  ['geometry', 'formula'],
  ['job'],
  ['takeoff', 'pricing'],
  ['assemblies'],
  ['estimate'],
  ['calculate'],
  ['reports', 'doubts'],
  ['orders'],
  ['formats', 'library'],
  ['testing', 'checks'],
];
/** Where a folder needs one beside it, one way only: the library is written in the format of assemblies, a report lists doubts. */
const BESIDE = { library: ['formats'], checks: ['testing'], reports: ['doubts'] };

const layerRules = LAYERS.flatMap((layer, at) =>
  layer.map((folder) => {
    const beside = layer.filter((each) => each !== folder && !(BESIDE[folder] ?? []).includes(each));
    const above = [...LAYERS.slice(at + 1).flat(), ...beside];
    return {
      name: `core-${folder}-imports-downward`,
      severity: 'error',
      from: { path: `^core/src/${folder}/`, pathNot: '\\.test\\.ts$' },
      to: { path: `^core/src/(${above.join('|')})/` },
    };
  }),
).filter(({ to }) => !to.path.includes('()'));

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
    ...layerRules,
    {
      name: 'graph-knows-no-records',
      severity: 'error',
      from: { path: '^core/src/calculate/graph/(?!nodes)', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/src/(?!calculate/graph|job/(failure|nodeId))' },
    },
    {
      name: 'tracking-knows-no-figures',
      severity: 'error',
      from: { path: '^core/src/calculate/tracked', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/src/(?!calculate/tracked|job/)' },
    },
    {
      name: 'definers-know-no-calculation',
      severity: 'error',
      from: { path: '^core/src/calculate/(graph|tracked|queries|sources|lines)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/src/calculate/(calculation|explain)' },
    },
    {
      name: 'parts-know-no-stage',
      severity: 'error',
      from: { path: '^app/src/(parts|figures|formulas|tables)' },
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
