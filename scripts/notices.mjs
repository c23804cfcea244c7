// npm run notices: writes THIRD-PARTY-NOTICES.md anew, from the packages that are installed. It names what the built
// app and its server carry, and what builds them.
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ensureInstalled, ROOT } from './setup.mjs'

ensureInstalled()
const own = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8'))
/** What the framework puts into the page and the server besides itself. */
const CARRIED = [
  '@vue/reactivity',
  '@vue/runtime-core',
  '@vue/runtime-dom',
  '@vue/shared',
  '@unhead/vue',
  'unhead',
  'ofetch',
  'hookable',
  'h3',
  'nitropack',
  'ufo',
  'defu',
  'destr',
  'klona',
  'radix3',
  'unctx',
  'cookie-es',
  'node-mock-http',
  'vue-bundle-renderer',
  'unstorage',
  'scule',
  'devalue',
  'property-expr',
  'tiny-case',
  'toposort',
  'd3-array',
  'internmap',
  'vue-demi',
]
/** Needed to build, and left behind by it. */
const BUILDERS = ['nuxt', '@pinia/nuxt', '@tailwindcss/vite', 'tailwindcss', 'esbuild', 'tsx', '@types/three']

function about(name) {
  const folder = join(ROOT, 'node_modules', name)
  if (!existsSync(folder)) return null
  const { version, license } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'))
  const file = readdirSync(folder).find(f => /^(licen[cs]e|copying)/i.test(f))
  return {
    name,
    version,
    license: typeof license === 'string' ? license : (license?.type ?? 'see its text'),
    text: file ? readFileSync(join(folder, file), 'utf8').trim() : '',
  }
}

const carried = [...Object.keys(own.dependencies).filter(n => !BUILDERS.includes(n)), ...CARRIED]
  .map(about)
  .filter(p => p !== null)
const builders = BUILDERS.map(about).filter(p => p !== null)
/** One text for all that share it to the letter. */
const texts = new Map()
for (const p of carried) {
  const key = p.text || `${p.license}, as its package states.`
  texts.set(key, [...(texts.get(key) ?? []), `${p.name} ${p.version}`])
}
const lines = [
  '# Third-party notices',
  '',
  'Tierra stands on the work of others. The built app and its server carry the packages below, under ' +
    'their own licences; their texts follow. Made by `npm run notices`.',
  '',
  '| package | version | licence |',
  '|---|---|---|',
  ...carried.map(p => `| ${p.name} | ${p.version} | ${p.license} |`),
  '',
  'Used to build and not carried: ' + builders.map(p => `${p.name} ${p.version} (${p.license})`).join(', ') + '.',
  '',
  ...[...texts].flatMap(([text, names]) => [`## ${names.join(', ')}`, '', '```', text, '```', '']),
]
writeFileSync(join(ROOT, 'THIRD-PARTY-NOTICES.md'), lines.join('\n').replace(/[ \t]+$/gm, ''))
