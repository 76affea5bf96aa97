const ROOMS = [
  'intake',
  'capture',
  'measures',
  'diagnosis',
  'prescription',
  'practice',
  'checkins',
  'progress',
];

/** Within a floor a room imports only earlier rooms, and only through their index. */
const roomRules = ['core', 'contract', 'server', 'web'].flatMap((floor) =>
  ROOMS.flatMap((room, i) => {
    // On the server the first floor's tables refer to each other, and progress is the last word.
    const later = ROOMS.slice(i + 1).join('|');
    const rules = [];
    if (later !== '') {
      rules.push({
        name: `${floor}-${room}-looks-only-back`,
        severity: 'error',
        from: { path: `^${floor}/src/rooms/${room}/` },
        to: { path: `^${floor}/src/rooms/(${later})/` },
      });
    }
    rules.push({
      name: `${floor}-${room}-through-the-front-door`,
      severity: 'error',
      from: { path: `^${floor}/src/rooms/${room}/` },
      to: {
        path: `^${floor}/src/rooms/`,
        pathNot: [
          `^${floor}/src/rooms/${room}/`,
          'index\\.ts$',
          ...(floor === 'server' ? ['tables\\.ts$'] : []),
        ],
      },
    });
    return rules;
  }),
);

const between = (name, from, to) => ({
  name,
  severity: 'error',
  from: { path: `^${from}/` },
  to: { path: to.map((t) => `^${t}/`) },
});

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    between('core-stands-alone', 'core', ['contract', 'server', 'web', 'cli', 'standins']),
    between('contract-on-core', 'contract', ['server', 'web', 'cli', 'standins']),
    between('server-not-web', 'server', ['web', 'cli', 'standins']),
    between('web-not-server', 'web', ['server', 'cli', 'standins']),
    between('cli-on-core', 'cli', ['server', 'web']),
    {
      name: 'standins-on-core',
      severity: 'error',
      from: { path: '^standins/', pathNot: '^standins/src/demo/(main|devices)\\.ts$' },
      to: { path: ['^contract/', '^server/', '^web/', '^cli/'] },
    },
    {
      name: 'core-without-node',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'only-routes-know-fastify',
      severity: 'error',
      from: { path: '^server/src/rooms/', pathNot: '[rR]outes\\.ts$' },
      to: { path: 'node_modules/(@?fastify)' },
    },
    {
      name: 'only-repo-and-tables-know-drizzle',
      severity: 'error',
      from: { path: '^server/src/rooms/', pathNot: '([rR]epo|tables)\\.ts$' },
      to: { path: 'node_modules/drizzle-orm' },
    },
    {
      name: 'repo-only-from-its-service',
      severity: 'error',
      from: { path: '^server/src/rooms/[^/]+/routes\\.ts$' },
      to: { path: '(repo|tables)\\.ts$' },
    },
    {
      name: 'only-queries-fetch',
      severity: 'error',
      from: { path: '^web/src/rooms/', pathNot: '([qQ]ueries|waitingSets|useAutosave|\\.test)\\.tsx?$' },
      to: { path: '^web/src/platform/http\\.ts$', dependencyTypesNot: ['type-only'] },
    },
    ...roomRules,
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(dist|\\.test\\.tsx?$)' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'],
    },
    parser: 'tsc',
  },
};
