import { join } from 'node:path'
import tailwindcss from '@tailwindcss/vite'
import { cityMapping } from 'city-timezones'
import { build } from 'esbuild'
import { packPlaces } from './formats/places'
import { writePlaces, writeServiceWorker } from './scripts/build/offline.mjs'
import { withoutAbouts } from './scripts/build/without-abouts.mjs'

/** Types that have been checked are remembered: only what has changed is looked at again. */
const remembered = (name: string) => ({ incremental: true, tsBuildInfoFile: `../.cache/types-${name}.tsbuildinfo` })

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  ssr: false,
  telemetry: false,
  devtools: { enabled: false },
  modules: ['@pinia/nuxt'],
  css: ['~/assets/main.css'],
  // core and formats are always imported by name; only components and composables come by themselves.
  imports: { scan: true, dirs: ['composables', 'stores'] },
  components: [{ path: '~/components', pathPrefix: false }],
  app: {
    head: {
      title: 'Tierra',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'theme-color', content: '#f5efe1' },
        { name: 'description', content: 'The physics of a passive solar greenhouse, on your site, in a blink.' },
      ],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' },
        { rel: 'manifest', href: '/manifest.webmanifest' },
        { rel: 'apple-touch-icon', href: '/icon-192.png' },
      ],
    },
  },
  nitro: {
    typescript: { tsConfig: { compilerOptions: remembered('server') } },
    compressPublicAssets: { gzip: true, brotli: true },
    routeRules: {
      '/**': {
        headers: {
          'x-content-type-options': 'nosniff',
          'referrer-policy': 'no-referrer',
          'x-frame-options': 'DENY',
          'cross-origin-opener-policy': 'same-origin',
          'cross-origin-resource-policy': 'same-origin',
        },
      },
      // Asked anew each time, so that a new version is found.
      '/sw.js': { headers: { 'cache-control': 'no-cache' } },
      '/manifest.webmanifest': { headers: { 'cache-control': 'no-cache' } },
      '/api/**': { headers: { 'cache-control': 'no-store' } },
    },
    externals: { traceInclude: ['node_modules/piscina/dist/worker.js'] },
  },
  hooks: {
    // Nothing but the bench is fetched ahead of the first score: what is loaded on demand waits until it is asked for.
    'build:manifest': manifest => {
      const needed = new Set<string>()
      const need = (key: string) => {
        if (needed.has(key) || !manifest[key]) return
        needed.add(key)
        for (const other of manifest[key].imports ?? []) need(other)
      }
      for (const key of Object.keys(manifest)) if (/pages\/index\.vue$|entry/.test(key)) need(key)
      for (const [key, file] of Object.entries(manifest)) if (!needed.has(key)) file.prefetch = false
    },
    'nitro:build:public-assets': nitro => writeServiceWorker(nitro.options.output.publicDir),
    // The threads of the server's pool run a bundle of their own, which lies beside the server.
    'nitro:init': nitro => {
      nitro.hooks.hook('rollup:before', () => {
        if (!nitro.options.dev) writePlaces(nitro.options.output.publicDir, packPlaces(cityMapping))
      })
      nitro.hooks.hook('compiled', async () => {
        await build({
          entryPoints: [join(nitro.options.rootDir, 'server/threads/year-work.ts')],
          outfile: join(nitro.options.output.serverDir, 'year-work.mjs'),
          bundle: true,
          platform: 'node',
          format: 'esm',
          target: 'node20',
          logLevel: 'error',
        })
      })
    },
  },
  // Everything that is fetched ahead of the first score counts: what no part of the page uses stays out of it.
  experimental: { renderJsonPayloads: false },
  vite: {
    plugins: [tailwindcss(), withoutAbouts()],
    worker: { format: 'es', plugins: () => [withoutAbouts()] },
    // All components are written with `setup`.
    define: { __VUE_OPTIONS_API__: 'false' },
    build: {
      rollupOptions: {
        treeshake: { moduleSideEffects: id => !/nuxt\/dist\/app\/composables\/(asyncData|fetch|preview)\.js/.test(id) },
      },
    },
  },
  typescript: {
    strict: true,
    tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true, ...remembered('app') } },
    nodeTsConfig: { compilerOptions: remembered('node') },
    sharedTsConfig: { compilerOptions: remembered('shared') },
  },
})
