/**
 * Imports run one way, from the top of the house down to the ground. A room not there yet is named where it will
 * stand.
 */
const CORE_ROOMS = [
  'quantity',
  'frame|route',
  'formats',
  'document|parts',
  'machine',
  'ride',
  'check',
  'trips|law|fit|power-chain',
  'workshop|road',
  'records|instruments',
  'verdict',
  'explore',
];
/** Packages that the core may use. */
const CORE_TAKES = [
  'zod',
  'saxes',
  'd3-array',
  'd3-random',
  'ml-levenberg-marquardt',
  'ml-matrix',
  'date-fns',
  '@date-fns/utc',
  'ical-generator',
];
const WEB_ROOMS = [
  'ui',
  'state|files',
  'screens|work|fields|drawing|paper|words',
  'charts',
  'ride',
  'stages/parts',
  'stages/(?!parts/)|start',
  'frame',
  'builds|shelf|routes|rules|glossary',
];

/** No room reaches up: one rule for each, naming every room above it. */
const layers = (folder, rooms) =>
  rooms.slice(0, -1).map((room, i) => ({
    name: `${folder.replace('/src', '')}-${room.replaceAll(/[^a-z]+/g, '-')}-looks-down-only`,
    severity: 'error',
    from: { path: `^${folder}/(${room})`, pathNot: '\\.test\\.tsx?$' },
    to: { path: `^${folder}/(${rooms.slice(i + 1).join('|')})` },
  }));

/** Rooms of one storey that have nothing to do with each other. */
const apart = (folder, rooms) => ({
  name: `${folder.replace('/src', '').replaceAll('/', '-')}-rooms-apart`,
  severity: 'error',
  from: { path: `^${folder}/(${rooms})/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: `^${folder}/(${rooms})/`, pathNot: `^${folder}/$1/` },
});

module.exports = {
  forbidden: [
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    ...layers(
      'core/src',
      CORE_ROOMS.map((room) => `(${room})/`),
    ),
    ...layers('web/src', WEB_ROOMS),
    apart('web/src', 'builds|shelf|routes|rules'),
    apart('web/src/stages', '(?!parts/)[^/]+'),
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/src/' },
      to: { path: '^(contracts|server|web|e2e|bench)/' },
    },
    {
      // The core computes: no interface, server, file system or clock gets in.
      name: 'core-takes-what-computes',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '\\.test\\.ts$|^core/src/test/' },
      to: {
        dependencyTypesNot: ['local', 'localmodule', 'aliased'],
        pathNot: `^node_modules/(${CORE_TAKES.join('|')})/`,
      },
    },
    {
      name: 'contracts-know-the-core-alone',
      severity: 'error',
      from: { path: '^contracts/src/' },
      to: { path: '^(server|web|e2e|bench)/' },
    },
    {
      name: 'core-through-its-index',
      severity: 'error',
      from: { path: '^((server|web)/src|e2e|bench)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/src/(?!index\\.ts$)' },
    },
    {
      name: 'tests-draw-builds-as-the-core-does',
      severity: 'error',
      from: { path: '^((server|web)/src|e2e)/.*\\.test\\.ts$' },
      to: { path: '^core/src/(?!index\\.ts$|test/builds\\.ts$)' },
    },
    {
      name: 'web-and-server-apart',
      severity: 'error',
      from: { path: '^web/src/' },
      to: { path: '^server/' },
    },
    {
      name: 'ui-knows-no-domain',
      severity: 'error',
      from: { path: '^web/src/ui/' },
      to: { path: '^(contracts|web/src/(?!ui/))' },
    },
    {
      name: 'state-knows-no-screen',
      severity: 'error',
      from: { path: '^web/src/state/', pathNot: '\\.test\\.ts$' },
      to: { path: '^web/src/(?!(state|files)/)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'default'] },
  },
};
