/** Arrows between workspaces only point down: app -> core, server -> core, cli -> server -> core. */
const only = (from, ...allowed) => ({
  name: `${from}-arrows`,
  severity: 'error',
  from: { path: `^${from}/` },
  to: { path: '^(app|bench|cli|core|demo|e2e|server)/', pathNot: `^(${[from, ...allowed].join('|')})/` },
});

module.exports = {
  forbidden: [
    only('core'),
    only('app', 'core'),
    only('server', 'core'),
    only('cli', 'server', 'core'),
    only('demo', 'server', 'core'),
    only('e2e', 'demo', 'server', 'core'),
    only('bench', 'e2e', 'demo', 'server', 'core'),
    {
      name: 'core-without-io',
      severity: 'error',
      from: { path: '^core/src' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'database-behind-its-port',
      comment: 'drivers and the mapper are spoken to in server/src/database only',
      severity: 'error',
      from: { path: '^server/src', pathNot: '^server/src/database/' },
      to: { path: 'node_modules/(@types/)?(typeorm|better-sqlite3)/' },
    },
    {
      name: 'screens-of-their-own',
      comment: 'a feature may use parts of another, not its screens',
      severity: 'error',
      from: { path: '^app/src/features/([^/]+)/' },
      to: { path: '^app/src/features/[^/]+/.*Screen\\.tsx$', pathNot: '^app/src/features/$1/' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: { pathNot: '^app/src/app' },
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|data)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'],
    },
  },
};
