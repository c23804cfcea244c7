import { DEMOS } from '../../core/design'
import { By, until } from 'selenium-webdriver'
import { click, coldest, consoleErrors, find, settled, studied, type, WAIT_MS } from './browser'
import { app, driver, fresh, freshWithAll, text } from './session'

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
    const post = (body: string) =>
      fetch(`${app.address}/api/simulate`, { method: 'POST', body, headers: { 'content-type': 'application/json' } })
    expect(await (await fetch(`${app.address}/api/health`)).json()).toMatchObject({ ok: true })
    const good = await post(JSON.stringify(DEMOS[1]))
    expect(good.status).toBe(200)
    const answers = (await good.json()) as {
      coldestNight: { insideC: number }
      ledger: { closure: number }
      months: unknown[]
    }
    expect(answers.ledger.closure).toBeLessThan(0.001)
    expect(answers.months).toHaveLength(12)
    const bad = await post(JSON.stringify({ ...DEMOS[1], aim: { ...DEMOS[1]!.aim, lowestAirC: 'cold' } }))
    expect(bad.status).toBe(400)
    expect(await bad.json()).toMatchObject({ ok: false, faults: [{ path: 'aim.lowestAirC' }] })
    expect((await post('{')).status).toBe(400)
    expect((await post(' '.repeat(2_100_000))).status).toBe(413)
  })

  test('once loaded it works without a network: every step, every view, a year, a study', async () => {
    await freshWithAll('/?step=shape')
    const network = (offline: boolean) =>
      driver.sendDevToolsCommand('Network.emulateNetworkConditions', {
        offline,
        latency: 0,
        downloadThroughput: -1,
        uploadThroughput: -1,
      })
    await driver.sendDevToolsCommand('Network.enable', {})
    await network(true)
    try {
      for (const step of ['aim', 'site', 'skin', 'store', 'breathe', 'topUp', 'year', 'shape']) {
        await click(driver, `step-${step}`)
        await driver.wait(until.elementLocated(By.css(`[data-test="panel-${step}"] *`)), WAIT_MS, `${step} stays empty`)
      }
      for (const view of ['plan', 'model', 'heat', 'section']) await click(driver, `view-${view}`)
      const before = await coldest(driver)
      await type(driver, 'Sunny side turned to the east (+) or west (−)', '75')
      expect(await coldest(driver)).toBeLessThan(before)
      await click(driver, 'start-turn')
      await studied(driver, 'turn')
      await click(driver, 'step-skin')
      await click(driver, 'tab-compare')
      await find(driver, 'light-by-angle')
      expect(await consoleErrors(driver)).toEqual([])
    } finally {
      await network(false)
    }
  })

  test('no request leaves the machine', async () => {
    await fresh('/?step=year&day=20&hour=12')
    await driver.sleep(500)
    const addresses = await driver.executeScript<string[]>(
      'return performance.getEntriesByType("resource").map(e => e.name)',
    )
    expect(addresses.length).toBeGreaterThan(3)
    for (const a of addresses)
      expect(a.startsWith(app.address) || a.startsWith('data:') || a.startsWith('blob:')).toBe(true)
  })
})
