/** Imports run one way; see docs/architecture.md. A room may look only into the rooms below it. */
const rooms = ['core', 'store', 'ui', 'workers', 'devices', 'app', 'bin', 'bench', 'e2e']
const mayImport = {
  core: [],
  store: ['core'],
  ui: ['core'],
  workers: ['core'],
  devices: ['core'],
  app: ['core', 'store', 'ui', 'workers', 'devices'],
  bin: ['core', 'store', 'ui', 'workers', 'devices'],
  bench: ['core', 'store', 'ui', 'workers', 'devices', 'bin'],
  e2e: ['core', 'store', 'bin', 'devices'],
}

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    ...rooms.map((room) => ({
      name: `${room}-looks-only-below`,
      severity: 'error',
      from: { path: `^${room}/` },
      to: { path: `^(${rooms.filter((other) => other !== room && !mayImport[room].includes(other)).join('|')})/` },
    })),
    {
      name: 'core-is-pure',
      comment: 'The core computes: no interface, no network, no files, no database.',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { path: 'node_modules/(next|react|react-dom|pg|kysely|better-auth|pino)/' },
    },
    {
      name: 'core-does-no-input-or-output',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'resolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^(\\.\\./)*\\.next|server-only' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(\\.next|\\.data)' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
}
