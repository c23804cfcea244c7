import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { DEMOS } from '../../core/design'
import { find, settled } from './browser'
import { app, driver, fresh, text } from './session'

describe('the southern demo, the server, and everyone', () => {
  test('the southern demo faces north and is cold in winter', async () => {
    await fresh('/')
    await driver.get(`${app.address}/?d=ribera-alta&step=shape`)
    await settled(driver)
    expect(await text('[data-test="section"]')).toMatch(/sunny side, north/)
    expect(await (await find(driver, 'facing')).getText()).toBe('due north')
    expect(await text('[data-test="score"]')).toMatch(/(June|July|August)/)
  })

  test('the route answers as the command line does: answers, faults, size', async () => {
    const post = (body: string) => fetch(`${app.address}/api/simulate`, { method: 'POST', body, headers: { 'content-type': 'application/json' } })
    expect(await (await fetch(`${app.address}/api/health`)).json()).toMatchObject({ ok: true })
    const good = await post(JSON.stringify(DEMOS[1]))
    expect(good.status).toBe(200)
    const answers = await good.json() as { coldestNight: { insideC: number }, ledger: { closure: number }, months: unknown[] }
    expect(answers.ledger.closure).toBeLessThan(0.001)
    expect(answers.months).toHaveLength(12)
    const bad = await post(JSON.stringify({ ...DEMOS[1], aim: { ...DEMOS[1]!.aim, lowestAirC: 'cold' } }))
    expect(bad.status).toBe(400)
    expect(await bad.json()).toMatchObject({ ok: false, faults: [{ path: 'aim.lowestAirC' }] })
    expect((await post('{')).status).toBe(400)
    expect((await post(' '.repeat(2_100_000))).status).toBe(413)
  })

  test.each([['day', 1280, 800, 'shape'], ['night', 1280, 800, 'skin'], ['day', 390, 844, 'site'], ['day', 1280, 800, 'year']])('axe finds nothing serious: %s, %i × %i, %s', async (theme, width, height, step) => {
    await fresh(`/?step=${step}`)
    await driver.executeScript('localStorage.setItem("tierra-settings", JSON.stringify({ units: "metric", theme: arguments[0] }))', theme)
    await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: width < 600 })
    for (const path of [`/?step=${step}`, '/designs']) {
      await driver.get(app.address + path)
      if (path !== '/designs') await settled(driver)
      else await find(driver, 'design-list')
      await driver.executeScript(readFileSync(createRequire(join(process.cwd(), 'package.json')).resolve('axe-core/axe.min.js'), 'utf8'))
      const found = await driver.executeAsyncScript<{ id: string, impact: string, nodes: { html: string }[] }[]>('const done = arguments[0]; axe.run().then(r => done(r.violations))')
      expect(found.filter(v => v.impact === 'serious' || v.impact === 'critical').map(v => `${v.id}: ${v.nodes[0]!.html.slice(0, 160)}`)).toEqual([])
      // Nothing sticks out sideways.
      expect(await driver.executeScript<number>('return document.documentElement.scrollWidth - document.documentElement.clientWidth')).toBeLessThanOrEqual(0)
    }
    await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', { width: 1280, height: 800, deviceScaleFactor: 1, mobile: false })
  })

  test('no request leaves the machine', async () => {
    await fresh('/?step=year&day=20&hour=12')
    await driver.sleep(500)
    const addresses = await driver.executeScript<string[]>('return performance.getEntriesByType("resource").map(e => e.name)')
    expect(addresses.length).toBeGreaterThan(3)
    for (const a of addresses) expect(a.startsWith(app.address) || a.startsWith('data:') || a.startsWith('blob:')).toBe(true)
  })
})
