/** Rooms of core/ from the ground up: each uses only rooms before it. */
const ROOMS = [
  'units',
  'kit',
  'rules',
  'model',
  'log',
  'siteplan',
  'steel',
  'anchors',
  'concrete',
  'weather',
  'formwork',
  'setout',
  'supply',
  'takeoff',
  'pourplan',
  'pourlog',
  'cure',
  'check',
  'begin',
  'register',
  'exchange',
  'words',
  'view',
];

/** What each part of the house may use of the others; tests and scripts may use all. */
const PARTS = {
  core: ['core'],
  contract: ['contract', 'core'],
  server: ['server', 'contract', 'core'],
  web: ['web', 'contract', 'core'],
};

module.exports = {
  forbidden: [
    {
      name: 'no-circle',
      comment:
        'Files that need each other are one thing: put them together, or lift what both need.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    ...ROOMS.slice(0, -1).map((room, i) => ({
      name: `core-${room}-is-below`,
      comment: `core/${room} may use only the rooms before it in the list of rooms.`,
      severity: 'error',
      from: { path: `^core/${room}/` },
      to: { path: `^core/(${ROOMS.slice(i + 1).join('|')})/` },
    })),
    ...ROOMS.map((room) => ({
      name: `core-${room}-by-its-face`,
      comment: `What others use of core/${room} stands in its index.ts: import it as #core/${room}.`,
      severity: 'error',
      from: { pathNot: `^core/${room}/` },
      to: { path: `^core/${room}/`, pathNot: `^core/${room}/index\\.ts$` },
    })),
    {
      name: 'stage-by-its-page',
      comment: 'A station is used by its page alone; what two of them need lies beside them.',
      severity: 'error',
      from: { path: '^web/', pathNot: '^web/stages/([^/]+)/' },
      to: { path: '^web/stages/', pathNot: '^web/stages/[^/]+/page\\.tsx$' },
    },
    {
      name: 'stage-apart-from-stage',
      comment: 'Stations do not reach into each other.',
      severity: 'error',
      from: { path: '^web/stages/([^/]+)/' },
      to: { path: '^web/stages/', pathNot: '^web/stages/$1/' },
    },
    {
      name: 'core-rooms-are-listed',
      comment: 'A new room of core/ takes its place in the list of rooms.',
      severity: 'error',
      from: {},
      to: { path: '^core/', pathNot: `^core/(${[...ROOMS, 'testdata'].join('|')})/` },
    },
    ...Object.entries(PARTS).map(([part, uses]) => ({
      name: `${part}-uses-${uses.join('-')}`,
      severity: 'error',
      from: { path: `^${part}/` },
      to: {
        path: '^(core|contract|server|web|demo|e2e|bench|scripts)/',
        pathNot: `^(${uses.join('|')})/`,
      },
    })),
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    // Tests reach where they must, and cases are read from files.
    exclude: { path: '\\.test\\.tsx?$|^core/testdata/|^web/testing/' },
  },
};
