/** The four storeys: each may use only those below it. */
module.exports = {
  forbidden: [
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(formats|cli|server|app|scripts|tests)/' },
    },
    { name: 'core-knows-no-platform', severity: 'error', from: { path: '^core/' }, to: { dependencyTypes: ['core'] } },
    {
      name: 'core-packages',
      severity: 'error',
      from: { path: '^core/' },
      to: {
        path: '^node_modules/',
        pathNot: '^node_modules/(yup|@photostructure/tz-lookup|ml-levenberg-marquardt|ml-matrix)/',
      },
    },
    {
      name: 'formats-over-core',
      severity: 'error',
      from: { path: '^formats/' },
      to: { path: '^(cli|server|app|scripts|tests)/' },
    },
    {
      name: 'formats-know-no-interface',
      severity: 'error',
      from: { path: '^formats/' },
      to: { path: '^node_modules/(vue|nuxt|pinia|@headlessui|apexcharts|idb)' },
    },
    { name: 'cli-apart-from-app', severity: 'error', from: { path: '^cli/' }, to: { path: '^(server|app)/' } },
    { name: 'server-apart-from-app', severity: 'error', from: { path: '^server/' }, to: { path: '^(cli|app|tests)/' } },
    { name: 'app-on-top', severity: 'error', from: { path: '^app/' }, to: { path: '^(cli|server|scripts|tests)/' } },
    {
      name: 'document-below-all',
      comment: 'The document knows its catalogues and units, and nothing that is worked out from it.',
      severity: 'error',
      from: { path: '^core/design/' },
      to: {
        path: '^core/',
        pathNot:
          '^core/(design|beds|bodies|openings|people|sources|air-stores|fans|catalog|units|text|physics|climate/(types|time-zone)|geometry/round)',
      },
    },
    {
      name: 'bodies-below-all',
      comment: 'A kind of body says what it is; the document and what is worked out know kinds, not the other way.',
      severity: 'error',
      from: { path: '^core/bodies/' },
      to: { path: '^core/', pathNot: '^core/(bodies|catalog|units|physics|materials|design/(field|kinds|types))' },
    },
    {
      name: 'beds-below-all',
      comment: 'As bodies; they say which pieces of floor they take.',
      severity: 'error',
      from: { path: '^core/beds/' },
      to: {
        path: '^core/',
        pathNot:
          '^core/(beds|bodies/(kind|common)|catalog|units|physics|geometry/(footprint|round)|design/(field|kinds))',
      },
    },
    {
      name: 'openings-below-all',
      comment: 'As bodies.',
      severity: 'error',
      from: { path: '^core/openings/' },
      to: {
        path: '^core/',
        pathNot: '^core/(openings|people|catalog|units|physics|climate/types|design/(field|kinds|fields/parts))',
      },
    },
    {
      name: 'people-below-all',
      severity: 'error',
      from: { path: '^core/people/' },
      to: { path: '^core/', pathNot: '^core/(people|climate/types|design/field)' },
    },
    {
      name: 'sources-below-all',
      comment: 'As bodies.',
      severity: 'error',
      from: { path: '^core/sources/' },
      to: {
        path: '^core/',
        pathNot: '^core/(sources|people|bodies/common|catalog|units|physics|climate/types|design/(field|kinds))',
      },
    },
    {
      name: 'air-stores-below-all',
      comment: 'As bodies.',
      severity: 'error',
      from: { path: '^core/air-stores/' },
      to: { path: '^core/', pathNot: '^core/(air-stores|catalog|units|physics|design/(field|kinds))' },
    },
    {
      name: 'fans-below-all',
      comment: 'As bodies.',
      severity: 'error',
      from: { path: '^core/fans/' },
      to: { path: '^core/', pathNot: '^core/(fans|catalog|units|physics|design/(field|kinds))' },
    },
    {
      name: 'editing-above-geometry',
      severity: 'error',
      from: { path: '^core/editing/' },
      to: {
        path: '^core/',
        pathNot: '^core/(editing|design|beds|bodies|openings|sources|air-stores|geometry|catalog|units|physics)',
      },
    },
    {
      name: 'no-arrow-up',
      comment: 'What is worked out knows neither editing nor advice.',
      severity: 'error',
      from: { path: '^core/(catalog|units|physics|sun|climate|geometry|frame|optics|ground|air|materials|network)/' },
      to: { path: '^core/(editing|advice|study|takeoff|sums)/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, dependencyTypesNot: ['type-only'] } },
    { name: 'resolvable', severity: 'error', from: { path: '^(core|formats|cli)/' }, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'node', 'default', 'types'],
      extensions: ['.ts', '.mjs', '.js', '.vue', '.json'],
    },
  },
}
