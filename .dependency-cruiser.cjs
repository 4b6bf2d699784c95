/** The arrows of import run one way: core ← contract ← workshop ← messages ← documents ← server, web, stand-ins; e2e and bench stand outside. */
const ROOMS = 'core|contract|workshop|messages|documents|server|web|stand-ins|e2e|bench';
const only = (room, allowed) => ({
  name: `${room}-imports-only-${allowed.join('-') || 'itself'}`,
  severity: 'error',
  from: { path: `^${room}/` },
  to: { path: `^(${ROOMS})/`, pathNot: `^(${[room, ...allowed].join('|')})/` },
});

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    only('core', []),
    only('contract', ['core']),
    only('workshop', ['contract', 'core']),
    only('messages', ['workshop', 'contract', 'core']),
    only('documents', ['messages', 'workshop', 'contract', 'core']),
    only('server', ['documents', 'messages', 'workshop', 'contract', 'core']),
    only('web', ['documents', 'messages', 'workshop', 'contract', 'core']),
    only('stand-ins', ['documents', 'messages', 'contract', 'core']),
    only('e2e', ['messages', 'contract', 'core']),
    only('bench', ['messages', 'contract', 'core']),
    {
      name: 'core-is-pure',
      comment: 'No Node API, no schema library, nothing that reads a clock or the network.',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { pathNot: ['^core/src', 'node_modules/@internationalized/date'] },
    },
    {
      name: 'rooms-are-entered-by-the-front-door',
      severity: 'error',
      from: { path: `^(${ROOMS})/` },
      to: {
        path: '^(core|contract|workshop|messages|documents)/src/',
        pathNot: [
          '^$1/',
          '/src/index\\.ts$',
          '^core/src/(validation|procedure/plan|bleeding/simulator)/index\\.ts$',
        ],
      },
    },
    { name: 'no-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
