/**
 * The import rule. Inside core, arrows only run downwards:
 * assessment -> design -> domains -> chemistry, light, window, scene, tank, schedule, reading -> catalogue -> calculation -> quantity.
 * Domains never import each other; nothing in core imports the app, the server or the tools.
 */
const domains =
  'biotope|vessel|water|substrate|hardscape|plants|equipment|stocking|lots|health|build|startup|log|care|diagnosis|monitor|breeding';
const benches = 'livestock|vessel|water|substrate|hardscape|plants|equipment|stocking|startup|care|breeding';
const shared = 'chemistry|light|window|scene|tank|schedule|reading';
const layers = [
  ['quantity', 'quantity'],
  ['calculation', 'quantity|calculation'],
  ['catalogue', 'quantity|calculation|catalogue'],
  [shared, `quantity|calculation|catalogue|${shared}`],
  ['design', `quantity|calculation|catalogue|${shared}|${domains}|design`],
];
const runtime =
  '(^|/)node_modules/(zod|immer|rfc6902|yalps|fflate|jsonc-parser|papaparse|@noble/hashes|date-fns|pure-rand|color-diff|fuse\.js|d3-[a-z]+)/';
const testOnly = '\\.spec\\.ts$|/testing/';

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stays-pure',
      comment: 'core may use only itself and a few pure libraries',
      severity: 'error',
      from: { path: '^core/', pathNot: testOnly },
      to: { pathNot: ['^core/', runtime, '^pure-rand/'] },
    },
    ...layers.map(([from, to]) => ({
      name: `core-${from.split('|')[0]}-imports-down`,
      severity: 'error',
      from: { path: `^core/(${from})/`, pathNot: testOnly },
      to: { path: '^core/', pathNot: `^core/(${to})/` },
    })),
    {
      name: 'core-domains-import-down',
      comment: 'domains never import each other',
      severity: 'error',
      from: { path: `^core/(${domains})/`, pathNot: testOnly },
      to: { path: '^core/', pathNot: [`^core/(quantity|calculation|catalogue|${shared})/`, '^core/$1/'] },
    },
    {
      name: 'faces-stay-apart',
      severity: 'error',
      from: { path: '^(app|server)/' },
      to: { path: '^(tools|e2e)/' },
    },
    {
      name: 'benches-stay-apart',
      comment: 'what two benches need lies in ui, store or section; the shell alone knows them, by their descriptor',
      severity: 'error',
      from: { path: `^app/(${benches})/`, pathNot: testOnly },
      to: { path: `^app/(${benches}|room|round|catalogue|sheet)/`, pathNot: '^app/$1/' },
    },
    {
      name: 'shell-knows-descriptors-only',
      severity: 'error',
      from: { path: '^app/shell/', pathNot: testOnly },
      to: { path: `^app/(${benches}|room|round|catalogue)/`, pathNot: '/bench\\.ts$' },
    },
    {
      name: 'app-lower-rooms',
      comment: 'ui, store, section and workers carry the benches and never look up to them',
      severity: 'error',
      from: { path: '^app/(ui|store|section|workers)/', pathNot: testOnly },
      to: { path: `^app/(${benches}|room|round|catalogue|sheet|shell)/` },
    },
    { name: 'core-specs-not-app', severity: 'error', from: { path: '^core/' }, to: { path: '^(app|server|tools|e2e)/' } },
    { name: 'app-not-server', severity: 'error', from: { path: '^app/' }, to: { path: '^server/' } },
    { name: 'server-not-app', severity: 'error', from: { path: '^server/' }, to: { path: '^app/' } },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.app.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.json$' },
  },
};
