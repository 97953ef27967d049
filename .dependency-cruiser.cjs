/** The layering rule: the core is pure, data flows forward through its folders, the server and the page never meet. */
const ORDER = [
  'quantity',
  'job',
  'reference',
  'parts',
  'loads',
  'paths',
  'moment',
  'battery',
  'sun',
  'weather',
  'panels',
  'sources',
  'runs',
  'settle',
  'days',
  'explain',
  'findings',
  'assess',
  'moves',
  'choices',
  'logbook',
];

module.exports = {
  forbidden: [
    {
      name: 'no-circular',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'core-is-pure',
      comment: 'The core imports nothing of the server, the page, Node or React.',
      severity: 'error',
      from: { path: '^core/src', pathNot: '(\\.test\\.ts$|^core/src/test/)' },
      to: { pathNot: '^core/src|node_modules/(@sinclair/typebox|ajv|pure-rand)/' },
    },
    {
      name: 'page-and-server-apart',
      severity: 'error',
      from: { path: '^web/src' },
      to: { path: '^(server|cli|tools)/' },
    },
    { name: 'server-apart', severity: 'error', from: { path: '^(server|cli)/' }, to: { path: '^web/' } },
    {
      name: 'steps-apart',
      comment: 'A step does not reach into another.',
      severity: 'error',
      from: { path: '^web/src/steps/([^/]+)/' },
      to: { path: '^web/src/steps/', pathNot: '^web/src/steps/$1/' },
    },
    {
      name: 'core-has-one-door',
      comment: 'Beside the folders there is the front door alone.',
      severity: 'error',
      from: { path: '^core/src/' },
      to: { path: '^core/src/[^/]+\\.ts$' },
    },
    // A folder of the core may import earlier ones only, in the order of the work; job and quantity serve all.
    ...ORDER.map((folder, i) => ({
      name: `core-forward-${folder}`,
      severity: 'error',
      from: { path: `^core/src/${folder}/`, pathNot: '\\.test\\.ts$' },
      to: { path: `^core/src/(${ORDER.slice(i + 1).join('|') || '-'})/` },
    })),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types'],
      extensions: ['.ts', '.tsx', '.mjs', '.js'],
    },
  },
};
