// Which way the imports of the house go: see ARCHITECTURE.md, whose tables these are.

/** core's folders in the order in which one idea needs another: a folder imports those above it alone. */
export const CORE = [
  'record',
  'clock',
  'pose',
  'move',
  'ladder',
  'figure',
  'mechanics',
  'propose',
  'room',
  'person',
  'released',
  'session',
  'read',
  'forms',
  'limits',
  'engine',
  'words',
  'ways',
  'review',
  'class',
  'run',
  'log',
  'paper',
  'records',
  'team',
  'ask',
];

const layers = CORE.map((folder, i) => ({
  name: `core-${folder}-looks-up-only`,
  severity: 'error',
  comment: 'core imports in the order that ARCHITECTURE prints',
  from: { path: `^core/src/${folder}/` },
  to: { path: `^core/src/(?!(${CORE.slice(0, i + 1).join('|')})/)` },
}));

export default {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    ...layers,
    {
      name: 'past-an-index',
      severity: 'error',
      comment: 'from another folder of core, only what its index lists',
      from: { path: '^core/src/([^/]+)/' },
      to: { path: '^core/src/', pathNot: ['^core/src/$1/', '^core/src/[^/]+/index[.]ts$'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(/dist/|/dist-pack/)' },
    tsPreCompilationDeps: true,
    parser: 'swc',
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.mjs', '.js'] },
  },
};
