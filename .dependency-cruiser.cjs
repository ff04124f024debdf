/** Folders of core by subject, each of which uses only those before it and its own. */
const SUBJECTS = Object.entries({
  music: ['pitch', 'scale', 'harmony', 'time', 'staff', 'groove'],
  instruments: ['scene', 'families', 'instrument', 'inventory', 'formats'],
  route: ['solver', 'route', 'question', 'map', 'keys', 'tab', 'alternates'],
  song: ['song', 'tension'],
  ear: ['ear'],
  practice: ['practice'],
  records: ['settings', 'records', 'exchange'],
});

const foldersFrom = (first) => SUBJECTS.slice(first).flatMap(([, folders]) => folders);

const SUBJECT_ARROWS = SUBJECTS.slice(0, -1).map(([subject, folders], i) => ({
  name: `${subject}-knows-none-above`,
  comment: 'A subject of core uses those before it: music, instruments, route, song, ear, practice, records.',
  severity: 'error',
  from: { path: `^packages/core/src/(${folders.join('|')})/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^packages/core/src/(${foldersFrom(i + 1).join('|')})/` },
}));

/** The arrows of docs/ARCHITECTURE.md: web and server → formats → core → nothing of ours; families know only the shared ground. */
module.exports = {
  forbidden: [
    ...SUBJECT_ARROWS,
    {
      name: 'doors-are-for-others',
      comment: 'Within core a file takes what it needs from the file that has it.',
      severity: 'error',
      from: { path: '^packages/core/src/(?!doors/)' },
      to: { path: '^packages/core/src/(index|doors/[a-z]+)\\.ts$' },
    },
    {
      name: 'core-stands-alone',
      comment:
        'Core computes; it knows neither the interface nor the server, and no packages but the one transform and the schemas.',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '(\\.test|/ear/fft)\\.ts$' },
      to: { pathNot: '^(packages/core/src|node_modules/(@?valibot))' },
    },
    {
      name: 'one-transform',
      comment:
        'The ear is handed a Fourier transform; the one that is used by default is wrapped in one file.',
      severity: 'error',
      from: { path: '^packages/core/src/ear/fft' },
      to: { pathNot: '^(packages/core/src|node_modules/fft\\.js)' },
    },
    {
      name: 'formats-only-to-core',
      comment: 'Formats turn files into songs and back, in a worker and on the server alike.',
      severity: 'error',
      from: { path: '^packages/formats/src' },
      to: { path: '^(apps|e2e)' },
    },
    {
      name: 'formats-without-node',
      severity: 'error',
      from: { path: '^packages/formats/src' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'web-not-to-server',
      severity: 'error',
      from: { path: '^apps/web' },
      to: { path: '^apps/server' },
    },
    {
      name: 'server-not-to-web',
      severity: 'error',
      from: { path: '^apps/server' },
      to: { path: '^apps/web' },
    },
    {
      name: 'core-only-by-its-door',
      comment: 'Other packages take core by its doors, one a subject.',
      severity: 'error',
      from: { path: '^(apps|e2e|packages/formats)' },
      to: { path: '^packages/core/src/(?!(index|doors/[a-z]+)\\.ts$)' },
    },
    {
      name: 'families-do-not-meet',
      comment: 'A family folder uses the contract, the kernel and the shared ground, never another family.',
      severity: 'error',
      from: { path: '^packages/core/src/families/(?!kernel/)([^/]+)/' },
      to: {
        path: '^packages/core/src/families/(?!kernel/)([^/]+)/',
        pathNot: '^packages/core/src/families/$1/',
      },
    },
    {
      name: 'families-only-by-the-list',
      comment: 'Nothing outside a family reaches into its folder; the list of families is the one way in.',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '^packages/core/src/families/([^/]+/|index\\.ts$)' },
      to: { path: '^packages/core/src/families/(?!kernel/)[^/]+/' },
    },
    {
      name: 'solver-knows-no-music',
      severity: 'error',
      from: { path: '^packages/core/src/solver/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^packages/core/src/solver/' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      conditionNames: ['@same-song/source', 'import', 'require', 'node', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.cjs', '.json'],
    },
  },
};
