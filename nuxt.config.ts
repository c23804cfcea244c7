import tailwindcss from '@tailwindcss/vite'

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
        { name: 'description', content: 'The physics of a passive solar greenhouse, on your site, in a blink.' },
      ],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' }],
    },
  },
  vite: { plugins: [tailwindcss()], worker: { format: 'es' } },
  typescript: { strict: true, tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } },
})
