/** Imports run one way; see docs/architecture.md. A room may look only into the rooms below it. */
const rooms = ['core', 'store', 'ui', 'workers', 'stand-ins', 'practice', 'app', 'bin', 'bench', 'e2e']
const mayImport = {
  core: [],
  store: ['core'],
  ui: ['core'],
  workers: ['core'],
  'stand-ins': ['core'],
  practice: ['core', 'store'],
  app: ['core', 'store', 'ui', 'workers', 'stand-ins', 'practice'],
  bin: ['core', 'store', 'ui', 'workers', 'stand-ins', 'practice'],
  bench: ['core', 'store', 'ui', 'workers', 'stand-ins', 'practice', 'bin'],
  e2e: ['core', 'store', 'bin', 'stand-ins', 'practice'],
}

/** The floors of the core, from the ground up: a room looks only into rooms that stand before it. */
const floors = [
  'units',
  'schema',
  'knowledge',
  'planner',
  'room',
  'wear',
  'tension',
  'stitch',
  'picture',
  'camera',
  'fabric',
  'thread-use',
  'kit',
  'machine',
  'stock',
  'fault',
  'check',
  'care',
  'people',
  'code',
  'session',
  'trainer',
  'exchange',
  'log-line',
  'compute',
  'wire',
]

/** Where it is not known yet of which venue somebody is, or a venue is made, found or taken away as a whole. */
const doors = [
  '_server/(store|actor|door|entry|sign-in|passkeys|room-tablet|venue)',
  'join/page',
  'api/(setup|join|letters|forgotten|health|meter|practice|practice-room)/route',
  'api/care/\\[secret\\]/route',
]

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    ...rooms.map((room) => ({
      name: `${room}-looks-only-below`,
      severity: 'error',
      // A test may start what it needs.
      from: { path: `^${room}/`, pathNot: '\\.test\\.tsx?$' },
      to: { path: `^(${rooms.filter((other) => other !== room && !mayImport[room].includes(other)).join('|')})/` },
    })),
    ...floors.map((room, floor) => ({
      name: `core-${room}-looks-only-below`,
      severity: 'error',
      from: { path: `^core/${room}/`, pathNot: '\\.test\\.ts$' },
      to: { path: `^core/(${[...floors.slice(floor + 1), 'testing'].join('|')})/` },
    })),
    {
      name: 'core-stands-on-its-floors',
      comment: 'A new room of the core is named in the list of floors.',
      severity: 'error',
      from: {},
      to: { path: '^core/', pathNot: `^core/(${[...floors, 'testing'].join('|')})/` },
    },
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
      name: 'doors-alone-see-every-venue',
      comment:
        'Whatever knows whose venue it is in asks `storeOf`; a door is where that is not known yet, or a whole venue is made or taken away.',
      severity: 'error',
      from: { path: '^app/', pathNot: `^app/(${doors.join('|')})\\.tsx?$` },
      to: { path: '^app/_server/every-venue\\.ts$' },
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
    exclude: { path: '^(\\.next|\\.data|\\.generated)' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
}
