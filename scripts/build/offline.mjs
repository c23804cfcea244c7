// What makes the built app work without a network: its list of places as a file, and a service worker that keeps all
// of its files. Run by the build once the app's files lie in their folder, before the server learns of them.
import { createHash } from 'node:crypto'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { generateSW, getManifest } from 'workbox-build'

/** Writes `places.json` into the folder of public files. */
export function writePlaces(publicDir, places) {
  mkdirSync(publicDir, { recursive: true })
  writeFileSync(join(publicDir, 'places.json'), JSON.stringify(places))
}

/** Writes `sw.js` into the folder of public files, once all of them lie there. */
export async function writeServiceWorker(publicDir) {
  const { manifestEntries } = await getManifest(filesOf(publicDir))
  const build = createHash('sha256').update(JSON.stringify(manifestEntries)).digest('hex').slice(0, 16)
  const { warnings } = await generateSW({
    ...filesOf(publicDir),
    swDest: join(publicDir, 'sw.js'),
    // The page itself is made by the server, and is another one in each build.
    additionalManifestEntries: [{ url: '/', revision: build }],
    navigateFallback: '/',
    navigateFallbackDenylist: [/^\/api\//, /\.[a-z0-9]+$/i],
    inlineWorkboxRuntime: true,
    sourcemap: false,
    mode: 'production',
    cleanupOutdatedCaches: true,
    // A new version waits until it is taken: never in the middle of work.
    skipWaiting: false,
    clientsClaim: true,
    cacheId: 'tierra',
  })
  for (const w of warnings) console.warn(w)
}

const filesOf = globDirectory => ({
  globDirectory,
  globPatterns: ['**/*.{js,css,woff2,svg,png,json,webmanifest}'],
  globIgnores: ['sw.js', '**/*.gz', '**/*.br'],
  // Names of these carry their own fingerprint.
  dontCacheBustURLsMatching: /\/_nuxt\/(?!builds)/,
  maximumFileSizeToCacheInBytes: 8_000_000,
})
