import { DEMOS } from '../../core/design'
import { ownServer } from './own-server'

/** Its own: fifty runs at once would send the pages of other tests away. */
let app: Awaited<ReturnType<typeof ownServer>>
beforeAll(async () => {
  app = await ownServer(5337)
})
afterAll(() => {
  app?.child.kill()
})

const demo = JSON.stringify(DEMOS[0])
const post = (path: string, body: string, headers: Record<string, string> = {}) =>
  fetch(app.address + path, { method: 'POST', body, headers: { 'content-type': 'application/json', ...headers } })

describe('the server', () => {
  test(
    'many at once: a few run, the rest are sent away with a sentence, and health answers all the ' + 'while',
    async () => {
      await post('/api/simulate', demo)
      let running = true
      const runs = Promise.all(
        Array.from({ length: 50 }, () =>
          post('/api/simulate', demo).then(async r => ({
            status: r.status,
            retry: r.headers.get('retry-after'),
            text: await r.text(),
          })),
        ),
      ).finally(() => {
        running = false
      })
      let asked = 0
      while (running) {
        expect((await fetch(`${app.address}/api/health`)).status).toBe(200)
        asked++
        await new Promise(resolve => setTimeout(resolve, 20))
      }
      const replies = await runs
      const done = replies.filter(r => r.status === 200)
      const away = replies.filter(r => r.status === 429)
      expect(done.length + away.length).toBe(50)
      expect(done.length).toBeGreaterThanOrEqual(1)
      expect(away.length).toBeGreaterThan(20)
      expect(away[0]).toMatchObject({ retry: '2', text: expect.stringMatching(/Too many runs are waiting/) })
      expect(JSON.parse(done[0]!.text).coldestNight.insideC).toBeGreaterThan(-10)
      // A server that works years out itself would have answered a few times at most.
      expect(asked).toBeGreaterThan(10)
    },
  )

  test('a run that its sender gives up makes room for the next', async () => {
    const stops = Array.from({ length: 6 }, () => new AbortController())
    const given = stops.map(s =>
      fetch(`${app.address}/api/simulate`, {
        method: 'POST',
        body: demo,
        headers: { 'content-type': 'application/json' },
        signal: s.signal,
      }).catch(() => null),
    )
    await new Promise(resolve => setTimeout(resolve, 30))
    stops.forEach(s => s.abort())
    await Promise.all(given)
    await new Promise(resolve => setTimeout(resolve, 400))
    expect((await post('/api/simulate', demo)).status).toBe(200)
  })

  test(
    'what can’t be is answered in JSON: unknown paths, methods, types, other sites, documents too large ' + 'or faulty',
    async () => {
      const is = async (reply: Promise<Response>, status: number, words: RegExp) => {
        const r = await reply
        expect([r.status, r.headers.get('content-type')]).toEqual([status, expect.stringMatching(/json/)])
        expect(JSON.stringify(await r.json())).toMatch(words)
        return r
      }
      await is(fetch(`${app.address}/api/nothing`), 404, /There is no \/api\/nothing/)
      expect((await is(fetch(`${app.address}/api/simulate`), 405, /asked by POST/)).headers.get('allow')).toBe('POST')
      await is(post('/api/health', '{}'), 405, /asked by GET/)
      await is(post('/api/simulate', demo, { 'content-type': 'text/plain' }), 415, /application\/json/)
      await is(post('/api/simulate', demo, { origin: 'http://elsewhere.example' }), 403, /other sites/)
      await is(post('/api/simulate', 'x'.repeat(2_100_000)), 413, /larger than 2 MB/)
      await is(post('/api/forecast?day=3', 'x'.repeat(2_100_000)), 413, /larger than 2 MB/)
      await is(post('/api/forecast?day=400', demo), 400, /0 to 364/)
      const beds = await is(
        post(
          '/api/simulate',
          JSON.stringify({
            ...DEMOS[0],
            shape: { ...DEMOS[0]!.shape, beds: Array.from({ length: 20000 }, () => ({})) },
          }),
        ),
        400,
        /has too many entries/,
      )
      expect(beds.status).toBe(400)
      await is(post('/api/simulate', '['.repeat(100_000)), 400, /not JSON/)
    },
  )

  test(
    'headers: what the page may do, no sniffing, no referrer, no frame, nothing of what runs it; assets ' +
      'for good and compressed',
    async () => {
      const page = await fetch(`${app.address}/`)
      const html = await page.text()
      const policy = page.headers.get('content-security-policy')!
      expect(policy).toMatch(
        /default-src 'none'.*script-src 'self' 'sha256-.*connect-src 'self'.*frame-ancestors 'none'/,
      )
      expect(policy).not.toMatch(/script-src[^;]*unsafe/)
      expect([
        page.headers.get('x-content-type-options'),
        page.headers.get('referrer-policy'),
        page.headers.get('x-frame-options'),
        page.headers.get('x-powered-by'),
        page.headers.get('cache-control'),
      ]).toEqual(['nosniff', 'no-referrer', 'DENY', null, 'no-cache'])
      // fetch unpacks what it gets; the header tells that it came packed.
      const answers = await post('/api/simulate', demo, { 'accept-encoding': 'gzip' })
      expect([answers.status, answers.headers.get('content-encoding'), answers.headers.get('cache-control')]).toEqual([
        200,
        'gzip',
        'no-store',
      ])
      expect(((await answers.json()) as { months: unknown[] }).months).toHaveLength(12)
      const script = /src="(\/_nuxt\/[^"]+\.js)"/.exec(html)![1]!
      for (const encoding of ['br', 'gzip']) {
        const asset = await fetch(app.address + script, { headers: { 'accept-encoding': encoding } })
        expect([asset.headers.get('content-encoding'), asset.headers.get('x-content-type-options')]).toEqual([
          encoding,
          'nosniff',
        ])
        expect(asset.headers.get('cache-control')).toMatch(/immutable/)
      }
    },
  )
})
