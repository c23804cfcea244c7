import { createHash } from 'node:crypto'

const hashOf = (script: string) => `'sha256-${createHash('sha256').update(script).digest('base64')}'`

/**
 * What the page may do: load its own files, ask its own server, and run the scripts that it came with. Styles are set
 * by the charts and the drawings themselves.
 */
function policy(html: string): string {
  const inline = [...html.matchAll(/<script(?![^>]*\bsrc=)[^>]*>([\s\S]*?)<\/script>/g)].map(m => hashOf(m[1]!))
  return [
    "default-src 'none'",
    `script-src 'self' ${[...new Set(inline)].join(' ')}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ')
}

export default defineNitroPlugin(nitro => {
  // However the server is started, it listens to this machine alone unless told otherwise.
  process.env.NITRO_HOST ||= process.env.HOST || '127.0.0.1'
  nitro.hooks.hook('render:response', response => {
    delete response.headers?.['x-powered-by']
    response.headers = {
      ...response.headers,
      'content-security-policy': policy(String(response.body)),
      'cache-control': 'no-cache',
    }
  })
})
