// What may import what; the drawing is in docs/architecture.md.
const CORE = '^packages/core/src/';
const WEB = '^apps/web/src/app/';
const SERVER = '^apps/server/src/';
const TEST = '\\.(spec|fixture)\\.ts$';
/** An area of core and the areas that it may use; the others see nothing of it but its index. */
const area = (name, mayUse) => ({
  name: `core-${name}-looks-down`,
  severity: 'error',
  from: { path: `${CORE}${name}/`, pathNot: TEST },
  to: { path: `${CORE}[^/]+/`, pathNot: `${CORE}(${[name, ...mayUse].join('|')})/` },
});
/** Every area of core with its arrows, as the drawing has them. */
const drawing = require('node:fs').readFileSync(`${__dirname}/docs/architecture.md`, 'utf8');
const inCore = drawing.slice(drawing.indexOf('subgraph core'), drawing.indexOf('\n  end\n'));
const AREAS = [...inCore.matchAll(/^ {4}([\w-]+)\["[^"]*"\](?: --> (.+))?$/gm)].map(([, name, arrows = '']) => ({
  name,
  mayUse: arrows.split(' & ').filter(Boolean),
}));
const forbid = (name, from, to) => ({ name, severity: 'error', from, to });

module.exports = {
  forbidden: [
    forbid('no-circle', {}, { circular: true }),
    forbid('no-unresolvable', {}, { couldNotResolve: true }),
    // What Node loads of it brings the tag of what is said along.
    forbid('core-is-pure', { path: CORE, pathNot: [TEST, `${CORE}node(-kernel)?\\.ts$`] }, { pathNot: CORE }),
    ...AREAS.map(({ name, mayUse }) => area(name, mayUse)),
    forbid(
      'core-areas-by-index',
      { path: `${CORE}([^/]+)/`, pathNot: TEST },
      { path: `${CORE}[^/]+/`, pathNot: [`${CORE}$1/`, '/index\\.ts$'] },
    ),
    forbid(
      'core-never-own-index',
      { path: `${CORE}([^/]+)/(?!index\\.ts$)`, pathNot: TEST },
      { path: `${CORE}$1/index\\.ts$` },
    ),
    forbid('packages-not-to-apps', { path: '^packages/' }, { path: '^(apps|e2e)/' }),
    forbid('contract-not-to-formats', { path: '^packages/contract/' }, { path: '^packages/formats/' }),
    forbid('web-not-to-server', { path: '^apps/web/' }, { path: '^apps/server/' }),
    // Of the formats the web knows drawings, artwork, tables and calendars alone: the rest reads fonts from disk.
    forbid(
      'web-to-pure-formats-only',
      { path: '^apps/web/' },
      {
        path: '^packages/formats/',
        pathNot: '^packages/formats/src/(artwork|calendar|drawings|pdf-artwork|tables)\\.ts$',
      },
    ),
    // The frame of the page is fetched first: of core and contract it takes what stands by itself.
    forbid(
      'web-first-load-is-small',
      {
        path: `${WEB}(platform/(shell|room-outbox|problem|unsent|api|notices|session|theme|keys)|ui/(format|measures?)|features/(jobs/jobs|sign-in/))`,
        pathNot: TEST,
      },
      { path: '^packages/[^/]+/src/index\\.ts$', dependencyTypesNot: ['type-only'] },
    ),
    forbid('server-not-to-web', { path: '^apps/server/' }, { path: '^apps/web/' }),
    forbid('e2e-is-black-box', { path: '^e2e/' }, { path: '^(apps|packages)/' }),
    forbid(
      'apps-reach-packages-by-entry',
      { path: '^apps/' },
      {
        path: '^packages/[^/]+/src/',
        pathNot:
          '^packages/[^/]+/src/(index|artwork|calendar|drawings|pdf-artwork|tables|xjdf|kernel/index|plain|speak)\\.ts$',
      },
    ),
    forbid(
      'web-feature-not-to-feature',
      { path: `${WEB}features/([^/]+)/` },
      { path: `${WEB}features/`, pathNot: `${WEB}features/$1/` },
    ),
    forbid('web-shared-not-to-feature', { path: `${WEB}(ui|platform)/` }, { path: `${WEB}features/` }),
    forbid(
      'web-ui-is-dumb',
      { path: `${WEB}(ui|features/[^/]+/ui|features/job/(figures|stream))/`, pathNot: TEST },
      { path: ['/state/', '/pages/', '\\.store\\.ts$', '-bench\\.ts$', `${WEB}platform/`, 'node_modules/@ngrx/'] },
    ),
    forbid(
      'server-db-and-http-not-to-feature',
      { path: `${SERVER}(db|http)/`, pathNot: TEST },
      { path: `${SERVER}features/` },
    ),
    forbid(
      'only-db-imports-pg',
      { path: SERVER, pathNot: [`${SERVER}db/`, TEST] },
      { path: 'node_modules/(@types/)?pg/' },
    ),
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.base.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['@druckerei/source', 'node', 'import', 'types', 'default'],
      extensions: ['.ts', '.mts', '.js', '.mjs', '.cjs', '.d.ts'],
    },
  },
};
