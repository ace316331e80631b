/** The house rules: which folder may import which. See ARCHITECTURE.md. */
const forbid = (name, from, to, comment) => ({
  name,
  severity: 'error',
  comment,
  from: { path: from, pathNot: '\\.test\\.' },
  to,
})
const inside = (names) => `^src/(${names})/`
module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    forbid(
      'core-knows-nothing-above',
      '^src/core/',
      { path: ['^src/(?!core/)', '^server/', 'node_modules/(react|dexie|@reduxjs|comlink|express)'] },
      'The core is pure computation.',
    ),
    forbid(
      'foundations-at-the-bottom',
      '^src/core/foundations/',
      { path: '^src/core/(?!foundations/)' },
      'Foundations import nothing else of the core.',
    ),
    forbid(
      'garden-above-foundations',
      '^src/core/garden/',
      { path: '^src/core/(?!foundations/|garden/)' },
      'Garden types stand on foundations only.',
    ),
    forbid(
      'site-below-plants',
      '^src/core/site/',
      { path: '^src/core/(?!foundations/|garden/|site/)' },
      'Site knows no plants.',
    ),
    forbid(
      'plants-below-stand',
      '^src/core/plants/',
      { path: '^src/core/(?!foundations/|garden/|site/|plants/)' },
      'Plants know no stands.',
    ),
    forbid(
      'residue-below-stand',
      '^src/core/residue/',
      { path: '^src/core/(?!foundations/|garden/|site/|plants/|residue/)' },
      'Residue is stepped by the stand.',
    ),
    forbid(
      'soil-below-stand',
      '^src/core/soil/',
      { path: '^src/core/(?!foundations/|garden/|site/|residue/|soil/)' },
      'The soil knows no plants.',
    ),
    forbid(
      'stand-below-questions',
      '^src/core/stand/',
      { path: '^src/core/(?!foundations/|garden/|site/|plants/|residue/|soil/|stand/)' },
      'The stand knows no questions.',
    ),
    forbid(
      'data-to-core',
      inside('data|compute|demo'),
      { path: inside('app|state|rooms|parts') },
      'Data, compute and demo stand on the core.',
    ),
    forbid(
      'state-below-rooms',
      inside('state'),
      { path: inside('app|rooms|parts') },
      'State knows no rooms.',
    ),
    forbid(
      'parts-below-rooms',
      inside('parts'),
      { path: inside('app|rooms|data') },
      'Parts draw; they do not store.',
    ),
    forbid('rooms-below-app', inside('rooms'), { path: inside('app|demo') }, 'Rooms know no shell.'),
    {
      name: 'one-way-to-a-chance',
      severity: 'error',
      comment: 'What a plan comes to is evaluated in the workers; rooms ask for it and read it.',
      from: { path: inside('rooms|parts|state|text|actions'), pathNot: '\\.test\\.' },
      to: {
        path: '^src/core/(stand/kernel|season/(run|deadDays)|bed/(standRun|through)|scenario/(evaluate|bounds|compare|best|criteria|termination|sowing)|choosing/(judge|rank))\\.',
        dependencyTypesNot: ['type-only'],
      },
    },
    forbid(
      'text-speaks-of-the-core',
      inside('text'),
      { path: '^src/(?!core/|text/)' },
      'Text stands on the core alone.',
    ),
    forbid(
      'actions-to-data-and-core',
      inside('actions'),
      { path: '^src/(?!core/|data/|actions/|text/)' },
      'Actions write; they know no rooms.',
    ),
    forbid(
      'deeds-are-actions',
      inside('rooms|parts'),
      { path: '^src/data/(writes|commit)\\.' },
      'What a user does is an action; rooms hand its step to the state.',
    ),
    {
      name: 'no-room-to-room',
      severity: 'error',
      from: { path: '^src/rooms/([^/]+)/' },
      to: { path: '^src/rooms/', pathNot: '^src/rooms/$1/' },
    },
    forbid(
      'server-on-core-and-demo',
      '^server/',
      { path: '^src/(?!core/|demo/)' },
      'The server stands on core and demo.',
    ),
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
  },
}
