import { refuse } from '../threads/pool'

/** The routes, and how each is asked. */
const ROUTES: Record<string, 'GET' | 'POST'> = {
  '/api/simulate': 'POST',
  '/api/forecast': 'POST',
  '/api/places': 'GET',
  '/api/health': 'GET',
}

/**
 * Turns away what no route would answer: unknown paths, other methods, other sites' pages, bodies that are not JSON.
 */
export default defineEventHandler(event => {
  const path = event.path.split('?')[0]!.replace(/\/+$/, '')
  if (path !== '/api' && !path.startsWith('/api/')) return
  const wanted = ROUTES[path]
  if (!wanted)
    return refuse(event, 404, `There is no ${path.slice(0, 100)}. There are ${Object.keys(ROUTES).join(', ')}.`)
  if (event.method !== wanted && !(wanted === 'GET' && event.method === 'HEAD')) {
    setResponseHeader(event, 'allow', wanted)
    return refuse(event, 405, `${path} is asked by ${wanted}.`)
  }
  const origin = getRequestHeader(event, 'origin')
  if (origin !== undefined && !sameHost(origin, getRequestHeader(event, 'host')))
    return refuse(event, 403, 'Pages of other sites may not ask this server.')
  const type = getRequestHeader(event, 'content-type') ?? ''
  if (wanted === 'POST' && !/^application\/json\s*(;|$)/i.test(type))
    return refuse(event, 415, 'A design document is sent as application/json.')
})

function sameHost(origin: string, host: string | undefined): boolean {
  try {
    return new URL(origin).host === host
  } catch {
    return false
  }
}
