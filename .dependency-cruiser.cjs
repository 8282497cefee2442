/** Imports run one way, from the top of the house down to the ground. */
const ROOMS = [
  'quantity',
  'frame|route',
  'formats',
  'document|parts',
  'machine',
  'ride',
  'check',
  'trips|law|fit|power-chain',
  'workshop|road',
  'verdict',
  'explore',
];
const layer = (room, i) => ({
  name: `core-${room.replaceAll('|', '-')}-looks-down-only`,
  severity: 'error',
  from: { path: `^core/src/(${room})/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^core/src/(${ROOMS.slice(i + 1).join('|')})/` },
});

module.exports = {
  forbidden: [
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    ...ROOMS.slice(0, -1).map(layer),
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/src/' },
      to: { path: '^(server|web|e2e|bench)/' },
    },
    {
      name: 'core-through-its-index',
      severity: 'error',
      from: { path: '^(server|web)/src/' },
      to: { path: '^core/src/(?!index\\.ts$)' },
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
      to: { path: '^web/src/(?!ui/)' },
    },
    {
      name: 'state-knows-no-screen',
      severity: 'error',
      from: { path: '^web/src/state/', pathNot: '\\.test\\.ts$' },
      to: { path: '^web/src/(?!state/)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'default'] },
  },
};
