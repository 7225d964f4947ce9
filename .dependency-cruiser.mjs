/**
 * The arrows of the source tree. What fails here is a decision, not a style: docs/architecture.md tells each floor and room.
 * Types count as much as values: a file that cannot be understood without another one stands above it.
 */

/** The floors of the core, bottom up: a file imports its own floor and those below. */
const FLOORS = [
  'quantity',
  'equipment',
  'trade',
  'circuit',
  'verdict',
  'series',
  'diagnosis',
  'probe',
  'readings/contract',
  'readings/(?!contract)',
  'interpretation',
  'judgment',
  'round',
  'planning',
  'http',
  'fieldwork',
  'words',
  'exchange',
  'bench',
  'testing',
];
const core = (floors) => `^packages/core/src/(${floors.join('|')})`;

const floorRules = FLOORS.map((floor, index) => ({
  name: `core-floor-${floor.replace(/[^a-z-]/g, '')}`,
  comment: 'A floor of the core imports nothing from the floors above it.',
  severity: 'error',
  from: { path: core([floor]), pathNot: '\\.test\\.ts$' },
  to: { path: core(FLOORS.slice(index + 1)) },
})).filter((_, index) => index < FLOORS.length - 1);

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    {
      name: 'no-circles',
      comment: 'No circle of imports, types counted.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    ...floorRules,
    {
      name: 'core-knows-nothing-of-ours',
      severity: 'error',
      from: { path: '^packages/core/' },
      to: { path: '^packages/(web|server|simulator)/' },
    },
    {
      name: 'core-outside-packages',
      comment: 'Zod and small packages of mathematics.',
      severity: 'error',
      from: { path: '^packages/core/src/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['npm', 'core'], pathNot: 'node_modules/(zod|jstat|psychrolib)/' },
    },
    {
      name: 'one-library-of-moist-air',
      comment: 'Its unit system is one global, set where it is wrapped.',
      severity: 'error',
      from: { pathNot: '^packages/core/src/trade/air/' },
      to: { path: 'node_modules/psychrolib/' },
    },
    {
      name: 'simulator-knows-the-core-only',
      severity: 'error',
      from: { path: '^packages/simulator/' },
      to: { path: '^packages/(web|server)/' },
    },
    {
      name: 'web-knows-the-core-only',
      severity: 'error',
      from: { path: '^packages/web/' },
      to: { path: '^packages/(server|simulator)/' },
    },
    {
      name: 'server-knows-no-web',
      severity: 'error',
      from: { path: '^packages/server/' },
      to: { path: '^packages/web/' },
    },
    {
      name: 'only-the-probe-kit-knows-the-model-house',
      severity: 'error',
      from: { path: '^packages/server/src/', pathNot: '/features/probes/|\\.test\\.ts$' },
      to: { path: '^packages/simulator/' },
    },
    {
      name: 'no-feature-reaches-into-another',
      comment: 'Another feature is known by its service or by what it shares, never by its store or its routes.',
      severity: 'error',
      from: { path: '^packages/server/src/features/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^packages/server/src/features/[^/]+/([a-z-]*store|routes)\\.ts$',
        pathNot: '^packages/server/src/features/$1/',
      },
    },
    {
      name: 'no-place-reaches-into-another',
      comment: 'What two places of the web share stands in kit, thread or field.',
      severity: 'error',
      from: { path: '^packages/web/src/places/([^/]+)/' },
      to: { path: '^packages/web/src/places/', pathNot: '^packages/web/src/places/$1/' },
    },
    {
      name: 'kit-knows-no-place',
      severity: 'error',
      from: { path: '^packages/web/src/(kit|thread|field|visit)/' },
      to: { path: '^packages/web/src/places/' },
    },
    {
      name: 'tests-are-imported-by-nobody',
      severity: 'error',
      from: {},
      to: { path: '\\.test\\.tsx?$' },
    },
    {
      name: 'not-to-unresolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|\\.tsbuild)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'node', 'default'] },
  },
};
