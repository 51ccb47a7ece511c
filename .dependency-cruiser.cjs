// Arrows point one way: web, server and cli to core; inside core: down to quantity.
const order = [
  'locale',
  'quantity',
  'fluid',
  'hydraulics',
  'chemistry',
  'structure',
  'electrics',
  'fuel',
  'assumption',
  'working',
  'rig',
  'workshop',
  'catalogue',
  'deck',
  'energy',
  'edit',
  'solve',
  'subject',
  'assess',
  'day',
  'arrange',
  'advise',
  'exchange',
  'sums',
  'layouts',
  'choose',
  'sheet',
  'outside',
];
const upward = order.slice(0, -1).map((name, i) => ({
  name: `core-${name}-looks-up`,
  severity: 'error',
  from: { path: `^core/src/${name}/`, pathNot: '\\.spec\\.ts$' },
  to: { path: `^core/src/(${order.slice(i + 1).join('|')})/` },
}));

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    { name: 'core-knows-nobody', severity: 'error', from: { path: '^core/src' }, to: { path: '^(web|server|cli)/' } },
    { name: 'core-is-pure', severity: 'error', from: { path: '^core/src', pathNot: '\\.spec\\.ts$|/testing/' }, to: { dependencyTypes: ['core'] } },
    { name: 'server-knows-no-web', severity: 'error', from: { path: '^server/' }, to: { path: '^(web|cli)/' } },
    // The command line hands the keeping of a yard on to the server's package; the rest of it knows only core.
    {
      name: 'cli-knows-core-and-keeping',
      severity: 'error',
      from: { path: '^cli/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^(web/|server/(?!(src|dist)/keep/index))' },
    },
    {
      name: 'store-knows-no-http',
      severity: 'error',
      from: { path: '^server/src/(store|keep|work)/' },
      to: { path: '^server/src/(http/|server\\.ts|main\\.ts)' },
    },
    { name: 'web-knows-only-core', severity: 'error', from: { path: '^web/' }, to: { path: '^(server|cli)/' } },
    {
      name: 'state-knows-no-views',
      severity: 'error',
      from: { path: '^web/src/app/state' },
      to: { path: '^web/src/app/(stations|yard|bench|guide|sums|shell|kit)/' },
    },
    // Fields, charts and marks are for any view; what is bound to the open rig lives on the bench.
    {
      name: 'kit-knows-no-store',
      severity: 'error',
      from: { path: '^web/src/app/kit/' },
      to: { path: '^(web/src/app/(state|workers|bench|stations|yard|shell)/|node_modules/@ngrx/)' },
    },
    {
      name: 'subjects-do-not-reach-into-each-other',
      severity: 'error',
      from: { path: '^core/src/subject/([^/]+)/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^core/src/subject/([^/]+)/', pathNot: '^core/src/subject/$1/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'stations-do-not-reach-into-each-other',
      severity: 'error',
      from: { path: '^web/src/app/stations/([^/]+)/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^web/src/app/stations/([^/]+)/', pathNot: '^web/src/app/stations/$1/' },
    },
    // A package is known by what it exports, never by its inside.
    {
      name: 'packages-by-their-door',
      severity: 'error',
      from: { path: '^(web|server|cli)/' },
      to: { path: '^core/(src|dist)/(?!index\\.)' },
    },
    ...upward,
  ],
  options: {
    doNotFollow: { path: 'node_modules|dist' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.js', '.mjs'], mainFields: ['main', 'types'] },
  },
};
