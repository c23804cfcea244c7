import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { DEMOS } from '../../core/design'
import { By, Key, until } from 'selenium-webdriver'
import { click, coldest, consoleErrors, find, settled, studied, type } from './browser'
import { app, driver, fresh, rows, text } from './session'

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

  const AXE = readFileSync(createRequire(join(process.cwd(), 'package.json')).resolve('axe-core/axe.min.js'), 'utf8')
  /** What axe finds at any level, and whether the page is wider than its window. */
  async function amiss(where: string): Promise<string[]> {
    const found = await scan(where)
    if (found.length === 0) return found
    // What is dimmed while it is worked out is looked at again once it is there.
    await driver.sleep(2000)
    return scan(where)
  }
  async function scan(where: string): Promise<string[]> {
    await driver.executeScript('if (!window.axe) eval(arguments[0])', AXE)
    const found = await driver.executeAsyncScript<{ id: string; nodes: { html: string }[] }[]>(
      'const done = arguments[0]; axe.run().then(r => done(r.violations))',
    )
    const wider = await driver.executeScript<number>(
      'return document.documentElement.scrollWidth - document.documentElement.clientWidth',
    )
    return [
      ...found.map(v => `${where}: ${v.id}: ${v.nodes[0]!.html.slice(0, 160)}`),
      ...(wider > 0 ? [`${where}: ${wider} px wider than the window`] : []),
    ]
  }
  async function looksLike(theme: string, width: number, height: number): Promise<void> {
    await driver.executeScript(
      'localStorage.setItem("tierra-settings", JSON.stringify({ units: "metric", theme: arguments[0] }))',
      theme,
    )
    await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
      width,
      height,
      deviceScaleFactor: 1,
      mobile: width < 600,
    })
  }
  afterEach(() => looksLike('day', 1280, 800))

  test.each([
    ['day', 1280, 800],
    ['night', 390, 844],
  ])('axe finds nothing at any level in any part of any step: %s, %i × %i', async (theme, width, height) => {
    await fresh('/')
    await looksLike(theme, width, height)
    const found: string[] = []
    const steps = await driver.executeScript<string[]>(
      'return [...document.querySelectorAll("nav [data-test^=step-]")].map(e => e.dataset.test.slice(5))',
    )
    expect(steps).toHaveLength(11)
    for (const id of steps) {
      await driver.get(`${app.address}/?step=${id}`)
      await settled(driver)
      await driver.wait(until.elementLocated(By.css(`[data-test="panel-${id}"] *`)), 10000, `${id} stays empty`)
      await driver.sleep(500)
      const tabs = await rows('.controls [role=tab]')
      for (let i = 0; i < Math.max(1, tabs.length); i++) {
        if (i > 0) {
          await driver.executeScript('document.querySelectorAll(".controls [role=tab]")[arguments[0]].click()', i)
          await driver.sleep(400)
        }
        found.push(...(await amiss(`${id} ${tabs[i] ?? ''}`)))
      }
    }
    for (const view of ['plan', 'model', 'heat']) {
      await driver.get(`${app.address}/?step=shape`)
      await settled(driver)
      await click(driver, `view-${view}`)
      await driver.sleep(700)
      found.push(...(await amiss(view)))
    }
    expect(found).toEqual([])
  })

  test.each([
    ['night', 1280, 800],
    ['day', 390, 844],
  ])('nor in the list, any sheet or dialog, the walk: %s, %i × %i', async (theme, width, height) => {
    await fresh('/')
    await looksLike(theme, width, height)
    const found: string[] = []
    await driver.get(`${app.address}/designs`)
    await find(driver, 'design-list')
    found.push(...(await amiss('the list')))
    await driver.get(`${app.address}/?step=site`)
    await settled(driver)
    const sheet = async (name: string, open: () => Promise<unknown>) => {
      await open()
      await driver.sleep(600)
      found.push(...(await amiss(name)))
      await driver.actions().sendKeys(Key.ESCAPE).perform()
      await driver.sleep(300)
    }
    const keys = (k: string) => () => driver.actions().sendKeys(k).perform()
    if (width < 600) await sheet('more', () => click(driver, 'more'))
    await sheet('menu', () => click(driver, 'design-menu'))
    await sheet('map', () => click(driver, 'open-map'))
    await sheet('words', keys('w'))
    await sheet('shortcuts', keys('?'))
    await sheet('start', async () => {
      if (width < 600) await click(driver, 'more')
      await click(driver, width < 600 ? 'more-start' : 'start-yours')
      await (await find(driver, 'start-like')).findElement(By.css('option[value="boreal"]')).click()
    })
    if (width < 600) await click(driver, 'more')
    await sheet('walk', () => click(driver, width < 600 ? 'more-walk' : 'walk-through'))
    expect(found).toEqual([])
  })

  test('at twice the size of everything nothing is cut off, and the score stays in view', async () => {
    await fresh('/')
    await looksLike('day', 640, 400)
    for (const step of ['shape', 'year', 'season']) {
      await driver.get(`${app.address}/?step=${step}`)
      await settled(driver)
      await driver.sleep(400)
      expect(
        await driver.executeScript<number>(
          'return document.documentElement.scrollWidth - document.documentElement.clientWidth',
        ),
      ).toBeLessThanOrEqual(0)
      const score = await (await find(driver, 'score-line')).getRect()
      expect(score.y).toBeGreaterThanOrEqual(0)
      expect(score.y + score.height).toBeLessThanOrEqual(400)
    }
  })

  test('on a phone: the score in view wherever one scrolls, the header in one row, handles a thumb wide', async () => {
    await fresh('/')
    await looksLike('day', 390, 844)
    await driver.get(`${app.address}/?step=season`)
    await settled(driver)
    await find(driver, 'nights', 60000)
    expect((await (await driver.findElement(By.css('header'))).getRect()).height).toBeLessThan(56)
    await driver.executeScript('window.scrollTo(0, 3000)')
    await driver.sleep(300)
    const score = await (await find(driver, 'score-line')).getRect()
    const scrolled = await driver.executeScript<number>('return window.scrollY')
    expect(scrolled).toBeGreaterThan(500)
    expect(score.y - scrolled).toBeGreaterThanOrEqual(-1)
    expect(score.y - scrolled).toBeLessThan(120)
    await driver.get(`${app.address}/?step=shape`)
    await settled(driver)
    for (const name of ['handle-ridge', 'handle-back'])
      for (const e of await driver.findElements(By.css(`[data-test="${name}"]`)))
        expect((await e.getRect()).width).toBeGreaterThanOrEqual(30)
  })

  test('who listens hears the new score, once the hand has come to rest and only where it changed', async () => {
    await fresh('/?step=store')
    const heard = async () =>
      driver.executeScript<string>('return document.querySelector("[data-test=spoken]").textContent')
    await driver.executeScript(
      'window.said = []; new MutationObserver(() => window.said.push(document.querySelector("[data-test=spoken]")' +
        '.textContent)).observe(document.querySelector("[data-test=spoken]"), ' +
        '{ childList: true, characterData: true, subtree: true })',
    )
    for (const count of ['15', '17', '20']) await type(driver, 'How many', count)
    const score = await coldest(driver)
    await driver.sleep(2500)
    expect(await heard()).toContain(`${score}`.replace('-', '−'))
    // Three edits, one sentence.
    expect((await driver.executeScript<string[]>('return window.said')).length).toBe(1)
  })

  test('once loaded it works without a network: every step, every view, a year, a study', async () => {
    await fresh('/?step=shape')
    await driver.wait(
      async () => driver.executeScript<boolean>('return performance.getEntriesByName("all parts loaded").length > 0'),
      20000,
      'the parts were not loaded',
    )
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
        await driver.wait(until.elementLocated(By.css(`[data-test="panel-${step}"] *`)), 3000, `${step} stays empty`)
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
