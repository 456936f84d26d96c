// The floors of the house: a room imports only from floors below it (docs/decisions/0001-floors.md).
const rule = (name, from, to, comment) => ({
  name,
  severity: 'error',
  comment,
  from: { path: from },
  to: { path: to },
});

module.exports = {
  forbidden: [
    {
      name: 'no-circular',
      severity: 'error',
      comment: 'types alone, too; circles of folders are found by scripts/folders.mjs',
      from: {},
      to: { circular: true },
    },
    rule('model-is-the-ground', '^src/model/', '^(app|src/(?!model/))', 'model imports nothing of ours'),
    rule(
      'core-imports-only-model',
      '^src/core/',
      '^(app|src/(?!core/|model/))',
      'the core knows no other room',
    ),
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'the core has no React, no Next, no database, no node built-in',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^(react|next|antd|drizzle|pg)|node_modules/(react|next|antd|drizzle-orm|pg)/',
        dependencyTypesNot: ['type-only'],
      },
    },
    {
      name: 'core-without-node',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    rule(
      'data-below-services',
      '^src/(data|formats|gateways)/',
      '^(app|src/(services|desk|booklet|ui)/)',
      'data, formats and gateways do not know the services or a screen',
    ),
    rule('formats-without-data', '^src/formats/', '^src/(data|gateways)/', 'a format gets plain values'),
    rule(
      'services-without-screens',
      '^src/services/',
      '^(app|src/(desk|booklet|ui)/)',
      'a use case knows no screen',
    ),
    {
      name: 'screens-without-data',
      severity: 'error',
      comment: 'React parts use ui, core and model only; of a service they may name the type it returns',
      from: { path: '^src/(desk|booklet|ui)/' },
      to: { path: '^src/(data|services|gateways|formats)/|^app/', preCompilationOnly: false },
    },
    rule(
      'booklet-cannot-reach-the-desk',
      '^src/booklet/',
      '^src/desk/',
      'nothing of the desk is reachable from the booklet',
    ),
    {
      name: 'booklet-sees-only-the-customer-view',
      severity: 'error',
      comment:
        'the booklet may use what is made for customers and number display, not the document or the price',
      from: { path: '^src/booklet/' },
      to: {
        path: '^src/(core|model)/',
        pathNot:
          '^src/(core/(number|text|customerView)/|core/choice/differencesBy\\.ts|core/allowance/(round|roundChosen|settle|terms)\\.ts|core/agreements/effect\\.ts|model/(customerView|customerOffer|change|choices|problem|proposalInputs|units)\\.ts|model/(scalars|document|billing)\\.ts)',
      },
    },
    rule('ui-is-shared', '^src/ui/', '^src/(desk|booklet)/', 'shared parts know no place'),
    rule('routes-call-services', '^app/', '^src/data/', 'a route calls a service; it does not query'),
    rule(
      'no-tests-in-code',
      '^(app|src)/.*(?<!\\.test)\\.tsx?$',
      '(\\.test\\.tsx?$|^tests/)',
      'code does not import tests',
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.next|\\.data' },
    tsPreCompilationDeps: 'specify',
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
