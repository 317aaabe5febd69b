/** The rooms of core, from the ground up: each knows those before it in this list, by their faces. */
const ROOMS = [
  'base',
  'measure',
  'physics',
  'sheets',
  'unit',
  'log',
  'taught',
  'judge',
  'identify',
  'diagnose',
  'plan',
  'claims',
  'bench',
]
const NO_TEST = '\\.test\\.ts$'
const upstairs = ROOMS.slice(0, -1).map((room, i) => ({
  name: `${room}-knows-only-rooms-before-it`,
  severity: 'error',
  from: { path: `^core/${room}/`, pathNot: NO_TEST },
  to: { path: `^core/(${ROOMS.slice(i + 1).join('|')})/` },
}))

/** The pages’ folders, from the ground up; those in one line know nothing of each other. */
const PAGES = [
  ['data'],
  ['theme'],
  ['charts', 'drawing', 'ui'],
  ['photos', 'shell'],
  ['figures', 'instruments', 'library', 'shop', 'stores', 'teach'],
  ['stations'],
  ['rack', 'why'],
]
const overhead = PAGES.slice(0, -1).map((folders, i) => ({
  name: `pages-of-${folders.join('-')}-know-only-what-lies-below`,
  severity: 'error',
  from: { path: `^web/(${folders.join('|')})/`, pathNot: '\\.test\\.tsx?$' },
  to: {
    path: `^web/(${PAGES.slice(i + 1)
      .flat()
      .join('|')})/`,
  },
}))

/** The arrows of the house: web and server over contract over core; core knows nothing but Valibot. */
module.exports = {
  forbidden: [
    ...upstairs,
    ...overhead,
    {
      name: 'every-folder-of-core-is-a-room',
      severity: 'error',
      from: {},
      to: { path: '^core/', pathNot: `^core/(${ROOMS.join('|')})/` },
    },
    {
      name: 'rooms-meet-at-their-faces',
      severity: 'error',
      from: { path: '^core/([^/]+)/' },
      to: { path: '^core/', pathNot: '^core/$1/|/index\\.ts$' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^core/|node_modules/valibot/' },
    },
    {
      name: 'only-schemas-use-valibot-in-core',
      severity: 'error',
      from: { path: '^core/', pathNot: '^core/(base|log|sheets|judge/findings)/' },
      to: { path: 'node_modules/valibot/' },
    },
    {
      name: 'contract-knows-core-only',
      severity: 'error',
      from: { path: '^contract/' },
      to: { pathNot: '^(contract|core)/|node_modules/valibot/' },
    },
    {
      name: 'web-never-imports-server',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^(server|bench|e2e)/' },
    },
    {
      name: 'only-tests-of-the-pages-use-the-demo',
      severity: 'error',
      from: { path: '^web/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^demo/' },
    },
    {
      name: 'demo-never-imports-server',
      severity: 'error',
      from: { path: '^demo/' },
      to: { path: '^(server|web|e2e)/' },
    },
    {
      name: 'server-never-imports-web',
      severity: 'error',
      from: { path: '^server/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(web|bench|e2e)/' },
    },
    {
      name: 'nothing-unresolved',
      severity: 'error',
      from: { pathNot: '^web/' },
      to: { couldNotResolve: true },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(build|web/dist)/' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'node', 'default'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'],
    },
  },
}
