import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By, Key, type WebDriver } from 'selenium-webdriver'
import { DEMOS } from '../../core/design'
import { epwText } from '../formats/epw-file'
import { choose, click, coldest, consoleErrors, field, find, openBrowser, settled, type } from './browser'

const downloads = mkdtempSync(join(tmpdir(), 'tierra-downloads-'))
/** The built app, started by the script that runs these tests. */
const app = { address: process.env.TIERRA_ADDRESS ?? '' }
let driver: WebDriver

beforeAll(async () => {
  if (app.address === '') throw new Error('Run these tests with `npm run e2e` or `npm test`: they need the app to be served.')
  driver = await openBrowser({ width: 1280, height: 800 }, downloads)
})
afterAll(async () => {
  await driver?.quit()
})

/** Back to the demo as it was, in an empty store. */
async function fresh(path = '/'): Promise<void> {
  await driver.get(`${app.address}/icon.svg`)
  await driver.executeAsyncScript('const done = arguments[0]; localStorage.clear(); const r = indexedDB.deleteDatabase("tierra"); r.onsuccess = r.onerror = () => done()')
  await driver.get(app.address + path)
  await settled(driver)
}

/** Drags a handle of the section by pixels. */
async function drag(name: string, dx: number, dy: number): Promise<void> {
  // Places of the window, not of the handle: that one moves along.
  const box = await (await find(driver, `handle-${name}`)).getRect()
  const x = Math.round(box.x + box.width / 2)
  const y = Math.round(box.y + box.height / 2)
  await driver.actions({ async: true }).move({ x, y }).press().move({ x: x + Math.round(dx / 2), y: y + Math.round(dy / 2) }).move({ x: x + dx, y: y + dy }).release().perform()
  await settled(driver)
}
const dimension = async (name: string) => (await find(driver, `dim-${name}`)).getText()
const metres = async (name: string) => Number.parseFloat(await dimension(name))
const text = async (css: string) => driver.findElement(By.css(css)).getText()
async function notice(): Promise<string> {
  return (await find(driver, 'notice')).getText()
}

describe('the bench', () => {
  test('opens on the demo, alive: a score, a ribbon, a section to scale', async () => {
    await fresh()
    expect(await driver.getTitle()).toBe('Tierra')
    expect(await (await find(driver, 'design-menu')).getText()).toBe('Hollow Ash Seed Library')
    const score = await coldest(driver)
    expect(score).toBeGreaterThan(-5)
    expect(score).toBeLessThan(8)
    expect(await dimension('width')).toBe('4.60 m')
    // To scale: width and ridge on the screen have the ratio of 4.60 to 3.30.
    const [ridge, width] = await Promise.all(['ridge', 'width'].map(async n => (await find(driver, `handle-${n}`)).getRect()))
    const foot = await (await find(driver, 'handle-foot')).getRect()
    expect((width!.x - foot.x) / (width!.y - ridge!.y)).toBeCloseTo(4.6 / 3.3, 1)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('turn, tilt, mass, insulation: the score moves as physics demands', async () => {
    await fresh('/?step=shape')
    const base = await coldest(driver)
    await type(driver, 'Sunny side turned to the east (+) or west (−)', '80')
    expect(await coldest(driver)).toBeLessThan(base)
    expect(await (await find(driver, 'facing')).getText()).toBe('80° east of south')
    await click(driver, 'undo')
    expect(await coldest(driver)).toBe(base)

    const angle = await find(driver, 'angle-scale')
    await angle.sendKeys(Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ARROW_RIGHT)
    await settled(driver)
    expect(await dimension('angle')).toBe('39.0°')
    expect(await metres('ridge')).toBeGreaterThan(3.3)
    await click(driver, 'undo')

    await click(driver, 'step-store')
    await type(driver, 'How many', '0')
    expect(await coldest(driver)).toBeLessThan(base)
    await type(driver, 'How many', '28')
    const massive = await coldest(driver)
    expect(massive).toBeGreaterThan(base)

    await click(driver, 'step-skin')
    await choose(driver, 'Kind', 'none')
    expect(await coldest(driver)).toBeLessThan(massive - 2)
    await choose(driver, 'Kind', 'shutter')
    expect(await coldest(driver)).toBeGreaterThan(massive)
    const covered = await coldest(driver)
    await type(driver, 'Walls, outside to inside, Expanded polystyrene board, thickness', '300 mm')
    expect(await coldest(driver)).toBeGreaterThan(covered)

    await click(driver, 'step-breathe')
    const tight = await coldest(driver)
    await choose(driver, 'How it is built', 'old')
    expect(await coldest(driver)).toBeLessThan(tight - 1)

    await click(driver, 'step-topUp')
    await driver.findElement(By.css('[role="switch"]')).click()
    await type(driver, 'Greatest output', '15 kW')
    await type(driver, 'Keeps the air at', '6 C')
    expect(await coldest(driver)).toBeCloseTo(6, 1)
    expect(await text('[data-test="score"]')).toMatch(/Without the heater/)
  })

  test('the pin: every figure shows its change, and the pin outlives a reload', async () => {
    await fresh('/?step=store')
    await click(driver, 'pin')
    const base = await coldest(driver)
    await type(driver, 'How many', '30')
    const now = await coldest(driver)
    const change = await find(driver, 'coldest-change')
    expect(await change.getText()).toBe(`+${(now - base).toFixed(1)}`)
    expect((await driver.findElements(By.css('[title^="against the pinned design"]'))).length).toBeGreaterThanOrEqual(7)
    await driver.wait(async () => (await (await find(driver, 'keep-state')).getText()) === 'kept', 5000)
    await driver.navigate().refresh()
    await settled(driver)
    expect(await (await find(driver, 'coldest-change')).getText()).toBe(`+${(now - base).toFixed(1)}`)
  })

  test('handles: each can be dragged, constraints hold, and one undo takes a drag back', async () => {
    await fresh()
    await drag('ridge', 0, -40)
    expect(await metres('ridge')).toBeGreaterThan(3.5)
    await click(driver, 'undo')
    await settled(driver)
    expect(await dimension('ridge')).toBe('3.30 m')
    await click(driver, 'redo')
    expect(await metres('ridge')).toBeGreaterThan(3.5)
    await click(driver, 'undo')

    await drag('width', 60, 0)
    expect(await metres('width')).toBeGreaterThan(5)
    await click(driver, 'undo')
    await drag('foot', -50, 0)
    expect(await metres('width')).toBeGreaterThan(5)
    expect(await metres('knee')).toBeCloseTo(0.75, 1)
    await click(driver, 'undo')
    const angle = await dimension('angle')
    await drag('knee', 0, -15)
    expect(await metres('knee')).toBeGreaterThan(0.85)
    expect(await dimension('angle')).toBe(angle)
    await click(driver, 'undo')
    await drag('back', 0, 30)
    expect(await metres('back')).toBeLessThan(2.2)
    await click(driver, 'undo')
    // To the extreme: it stops at the limit, and the drawing stands.
    await drag('ridge', 0, 330)
    expect(await metres('ridge')).toBeGreaterThan(0.75)
    expect(await driver.findElement(By.css('[data-test="section"] svg')).getAttribute('outerHTML')).not.toMatch(/NaN|Infinity/)
  })

  test('dimensions are typed in any unit; what makes no sense is said and loses nothing', async () => {
    await fresh()
    await click(driver, 'dim-width')
    const input = await find(driver, 'dim-width-input')
    await input.sendKeys('16ft 4in', Key.ENTER)
    await settled(driver)
    expect(await dimension('width')).toBe('4.98 m')
    await click(driver, 'dim-width')
    await (await find(driver, 'dim-width-input')).sendKeys('400 m', Key.ENTER)
    expect(await text('[data-test="section"] [role="alert"]')).toMatch(/1\.20\sm to 20\.00\sm is allowed/)
    await (await find(driver, 'dim-width-input')).sendKeys(Key.ESCAPE)
    expect(await dimension('width')).toBe('4.98 m')
    await click(driver, 'step-store')
    await type(driver, 'How many', 'a lot')
    expect(await (await field(driver, 'How many')).getAttribute('aria-invalid')).toBe('true')
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('a lot')
    await (await field(driver, 'How many')).sendKeys(Key.ESCAPE)
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('14')
  })

  test('US and mixed units, everywhere at once', async () => {
    await fresh('/?step=skin')
    await choose2('us')
    expect(await dimension('width')).toBe('15 ft 1 in')
    expect(await (await find(driver, 'coldest')).getText()).toMatch(/°F$/)
    expect(await text('[data-test="panel-skin"]')).toMatch(/Adds R 5\.1/)
    await choose2('mixed')
    expect(await dimension('width')).toBe('15 ft 1 in')
    expect(await (await find(driver, 'coldest')).getText()).toMatch(/°C$/)
    await driver.navigate().refresh()
    await settled(driver)
    expect(await dimension('width')).toBe('15 ft 1 in')
  })

  test('a day of the ribbon: its hours, its rays, and back', async () => {
    await fresh()
    const ribbon = await find(driver, 'ribbon')
    await driver.actions({ async: true }).move({ origin: ribbon, x: 0, y: 0 }).click().perform()
    expect(await (await find(driver, 'day-title')).getText()).toMatch(/^(30 June|1 July|2 July|3 July)$/)
    await driver.wait(async () => (await driver.findElements(By.css('[data-test="day-chart"] svg path'))).length > 5, 10000)
    const label = await text('.ray-label')
    expect(label).toMatch(/at 12:30, /)
    const hour = await find(driver, 'hour')
    await hour.sendKeys(Key.ARROW_LEFT, Key.ARROW_LEFT)
    expect(await text('.ray-label')).toMatch(/at 10:30, /)
    expect(await text('.ray-label')).not.toBe(label)
    const place = await driver.getCurrentUrl()
    await driver.navigate().refresh()
    await settled(driver)
    expect(await driver.getCurrentUrl()).toBe(place)
    expect(await text('.ray-label')).toMatch(/at 10:30, /)
    await click(driver, 'design-days')
    expect(await text('.ray-label')).toMatch(/warmest month/)
  })

  test('keyboard only: a handle, a field, a step, undo, units, help', async () => {
    await fresh()
    const ridge = await find(driver, 'handle-ridge')
    await ridge.sendKeys(Key.ARROW_UP, Key.ARROW_UP)
    await settled(driver)
    expect(await dimension('ridge')).toBe('3.38 m')
    const body = await driver.findElement(By.css('body'))
    await body.sendKeys(Key.chord(Key.CONTROL, 'z'))
    expect(await dimension('ridge')).toBe('3.30 m')
    await body.sendKeys('5')
    await find(driver, 'panel-store')
    await body.sendKeys('u')
    expect(await dimension('width')).toBe('15 ft 1 in')
    await body.sendKeys('n')
    expect(await driver.findElement(By.css('html')).getAttribute('data-theme')).toBe('night')
    await body.sendKeys('?')
    await driver.wait(async () => (await driver.findElements(By.css('[role="dialog"]'))).length > 0, 3000)
    await driver.actions().sendKeys(Key.ESCAPE).perform()
    await driver.wait(async () => (await driver.findElements(By.css('[role="dialog"]'))).length === 0, 3000)
    // Everything that acts can be reached with Tab, and says where it is.
    const reached = new Set<string>()
    for (let i = 0; i < 60; i++) {
      await driver.actions().sendKeys(Key.TAB).perform()
      reached.add(await driver.executeScript<string>('const e = document.activeElement; return e.dataset.test || e.getAttribute("aria-label") || e.textContent.trim().slice(0, 20)'))
    }
    for (const name of ['design-menu', 'redo', 'pin', 'export', 'step-skin', 'handle-ridge', 'dim-width', 'ribbon']) expect([...reached]).toContain(name)
  })
})

async function choose2(units: string): Promise<void> {
  await (await find(driver, 'units')).findElement(By.css(`option[value="${units}"]`)).click()
}

describe('keeping', () => {
  test('autosave and reload; export, wipe, import bring the same design and score', async () => {
    await fresh('/?step=store')
    await type(driver, 'How many', '21')
    const score = await coldest(driver)
    await driver.wait(async () => (await (await find(driver, 'keep-state')).getText()) === 'kept', 5000)
    await driver.navigate().refresh()
    await settled(driver)
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('21')
    expect(await coldest(driver)).toBe(score)
    await click(driver, 'export')
    await driver.wait(() => readdirSync(downloads).includes('hollow-ash-seed-library.json'), 10000)
    const exported = JSON.parse(readFileSync(join(downloads, 'hollow-ash-seed-library.json'), 'utf8'))
    expect(exported.store.barrels.count).toBe(21)

    await fresh('/?step=store')
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('14')
    await dropFile('mine.json', readFileSync(join(downloads, 'hollow-ash-seed-library.json'), 'utf8'))
    await driver.wait(async () => (await (await find(driver, 'design-menu')).getText()).includes('(2)'), 5000)
    expect(await coldest(driver)).toBe(score)
  })

  test('damaged and foreign files: sentences with the path, and nothing changes', async () => {
    await fresh()
    const before = await coldest(driver)
    await dropFile('torn.json', '{"schemaVersion": 1, "shape"')
    expect(await notice()).toMatch(/torn\.json was not taken in; nothing has changed[\s\S]*not JSON/)
    await dropFile('bad.json', JSON.stringify({ ...DEMOS[0], shape: { ...DEMOS[0]!.shape, lengthM: -3 }, skin: { ...DEMOS[0]!.skin, glazing: 'ice' } }))
    await driver.wait(async () => /shape\.lengthM: is out of range; allowed: a number from 1 to 100/.test(await text('body')), 5000)
    expect(await text('body')).toMatch(/skin\.glazing: “ice” is not known/)
    await dropFile('photo.png', '\u0089PNG')
    expect(await coldest(driver)).toBe(before)
    expect(await (await find(driver, 'design-menu')).getText()).toBe('Hollow Ash Seed Library')
  })

  test('the list: new, duplicate, rename, delete with undo', async () => {
    await fresh('/')
    await driver.get(`${app.address}/designs`)
    const names = async () => (await driver.findElements(By.css('[data-test="design-list"] .slab'))).length
    await driver.wait(async () => await names() === 2, 5000)
    await click(driver, 'duplicate')
    await driver.wait(async () => await names() === 3, 5000)
    await driver.findElement(By.css('[aria-label^="Rename"]')).click()
    await (await find(driver, 'name-input')).sendKeys(Key.chord(Key.CONTROL, 'a'), 'Orchard house', Key.ENTER)
    await driver.wait(async () => (await text('[data-test="design-list"]')).includes('Orchard house'), 5000)
    await driver.findElement(By.css('[aria-label="Delete Orchard house"]')).click()
    await driver.wait(async () => await names() === 2, 5000)
    await driver.findElement(By.xpath('//*[@data-test="notice"]//button[normalize-space(.)="Undo"]')).click()
    await driver.wait(async () => (await text('[data-test="design-list"]')).includes('Orchard house'), 5000)
    await click(driver, 'list-new')
    await find(driver, 'panel-site')
    await settled(driver)
    expect(await (await find(driver, 'design-menu')).getText()).toBe('New greenhouse')
  })

  test('two tabs on one design: neither silently overwrites the other', async () => {
    await fresh('/?step=store')
    const first = await driver.getWindowHandle()
    await driver.switchTo().newWindow('tab')
    await driver.get(`${app.address}/?d=hollow-ash&step=store`)
    await settled(driver)
    const second = await driver.getWindowHandle()
    await type(driver, 'How many', '20')
    await driver.wait(async () => (await (await find(driver, 'keep-state')).getText()) === 'kept', 5000)
    await driver.switchTo().window(first)
    await find(driver, 'conflict')
    await type(driver, 'How many', '7')
    await driver.sleep(800)
    await click(driver, 'keep-mine')
    await driver.wait(async () => (await (await find(driver, 'design-menu')).getText()) === 'Hollow Ash Seed Library (2)', 5000)
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('7')
    await driver.switchTo().window(second)
    await driver.navigate().refresh()
    await settled(driver)
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('20')
    await driver.close()
    await driver.switchTo().window(first)
  })

  test('a blocked store is told; work goes on and export still works', async () => {
    await driver.get(`${app.address}/icon.svg`)
    const devtools = driver as WebDriver & { sendAndGetDevToolsCommand: (name: string, args: object) => Promise<{ identifier: string }>, sendDevToolsCommand: (name: string, args: object) => Promise<void> }
    const { identifier } = await devtools.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: 'IDBFactory.prototype.open = () => { throw new DOMException("blocked", "SecurityError") }' })
    await driver.get(`${app.address}/?step=store`)
    await settled(driver)
    expect(await notice()).toMatch(/does not let Tierra keep designs/)
    expect(await (await find(driver, 'keep-state')).getText()).toBe('in memory only')
    const before = await coldest(driver)
    await type(driver, 'How many', '40')
    expect(await coldest(driver)).toBeGreaterThan(before)
    const count = readdirSync(downloads).length
    await click(driver, 'export')
    await driver.wait(() => readdirSync(downloads).length > count, 10000)
    await devtools.sendDevToolsCommand('Page.removeScriptToEvaluateOnNewDocument', { identifier })
  })

  test('a store that fills up is told; nothing on the bench or the list is lost', async () => {
    await fresh('/?step=store')
    await driver.executeScript('IDBObjectStore.prototype.put = () => { throw new DOMException("full", "QuotaExceededError") }')
    await type(driver, 'How many', '25')
    expect(await notice()).toMatch(/blocked or full/)
    await driver.wait(async () => (await (await find(driver, 'keep-state')).getText()) === 'in memory only', 5000)
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('25')
    await driver.executeScript('document.querySelector(\'a[href="/designs"]\').click()')
    await find(driver, 'design-list')
    expect(await text('[data-test="design-list"]')).toMatch(/Escuela Ribera Alta/)
    await driver.findElement(By.css('[data-test="design-hollow-ash"] button')).click()
    await settled(driver)
    await click(driver, 'step-store')
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('25')
  })

  test('once loaded it works offline', async () => {
    await fresh('/?step=store')
    const devtools = driver as WebDriver & { sendDevToolsCommand: (name: string, args: object) => Promise<void> }
    await devtools.sendDevToolsCommand('Network.enable', {})
    await devtools.sendDevToolsCommand('Network.emulateNetworkConditions', { offline: true, latency: 0, downloadThroughput: 0, uploadThroughput: 0 })
    const before = await coldest(driver)
    await type(driver, 'How many', '35')
    expect(await coldest(driver)).toBeGreaterThan(before)
    for (const step of ['aim', 'site', 'shape', 'skin', 'breathe', 'topUp', 'year']) {
      await click(driver, `step-${step}`)
      await find(driver, `panel-${step}`)
    }
    await devtools.sendDevToolsCommand('Network.emulateNetworkConditions', { offline: false, latency: 0, downloadThroughput: -1, uploadThroughput: -1 })
  })
})

describe('real input', () => {
  test('another place, by hand: its time zone comes along; the other hemisphere is asked about', async () => {
    await fresh('/?step=site')
    await type(driver, 'Longitude', '-70.4')
    await type(driver, 'Latitude', '-46.2')
    expect(await (await field(driver, 'Time zone')).getAttribute('value')).toMatch(/^America\//)
    expect(await notice()).toMatch(/hottest month is July/)
    await driver.findElement(By.xpath('//button[normalize-space(.)="Move the months by half a year"]')).click()
    await settled(driver)
    expect(await (await find(driver, 'highC-0')).getAttribute('value')).toBe('25.1')
    expect(await text('[data-test="score"]')).toMatch(/(June|July|August)/)
    await type(driver, 'Latitude', '95')
    expect(await text('[data-test="panel-site"]')).toMatch(/Out of range: −90\.0° to 90\.0° is allowed/)
  })

  test('normals pasted from a spreadsheet; what is wrong is said and nothing is lost', async () => {
    await fresh('/?step=site')
    await driver.findElement(By.css('summary')).click()
    const box = await find(driver, 'paste')
    const paste = async (value: string) => {
      await driver.executeScript('arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event("input"))', box, value)
      await click(driver, 'use-paste')
    }
    await paste('1\t2\n3\t4')
    expect(await (await find(driver, 'paste-fault')).getText()).toMatch(/twelve/)
    expect(await box.getAttribute('value')).toContain('3\t4')
    const before = await coldest(driver)
    const low = (m: number) => (m < 6 ? m * 4 - 22.5 : 21.5 - m * 4)
    await paste(['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'].map((name, m) => `${name}\t${String(low(m)).replace('.', ',')}\t${low(m) + 8}`).join('\n'))
    expect(await coldest(driver)).toBeLessThan(before - 1)
    expect(await (await find(driver, 'lowC-0')).getAttribute('value')).toBe('−22.5')
  })

  test('an EPW file by hand, and a truncated one', async () => {
    await fresh('/?step=site')
    const input = await driver.findElement(By.css('[data-test="epw-file"]'))
    const cut = join(downloads, 'cut.epw')
    writeFileSync(cut, epwText().slice(0, 200000))
    await input.sendKeys(cut)
    expect(await notice()).toMatch(/cut\.epw was not taken; nothing has changed/)
    const good = join(downloads, 'field.epw')
    writeFileSync(good, epwText())
    await input.sendKeys(good)
    await driver.wait(async () => /An hourly year from field\.epw/.test(await text('[data-test="panel-site"]')), 10000)
    await settled(driver)
    expect(await (await field(driver, 'Latitude')).getAttribute('value')).toBe('47.0°')
    await driver.wait(async () => (await (await find(driver, 'keep-state')).getText()) === 'kept', 5000)
    await driver.navigate().refresh()
    await settled(driver)
    expect(await text('[data-test="panel-site"]')).toMatch(/An hourly year from field\.epw/)
  })
})

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
    const bad = await post(JSON.stringify({ ...DEMOS[1], aim: { lowestAirC: 'cold', highestAirC: 30 } }))
    expect(bad.status).toBe(400)
    expect(await bad.json()).toMatchObject({ ok: false, faults: [{ path: 'aim.lowestAirC' }] })
    expect((await post('{')).status).toBe(400)
    expect((await post(' '.repeat(2_100_000))).status).toBe(413)
  })

  test.each([['day', 1280, 800, 'shape'], ['night', 1280, 800, 'skin'], ['day', 390, 844, 'site'], ['day', 1280, 800, 'year']])('axe finds nothing serious: %s, %i × %i, %s', async (theme, width, height, step) => {
    await fresh(`/?step=${step}`)
    await driver.executeScript('localStorage.setItem("tierra-settings", JSON.stringify({ units: "metric", theme: arguments[0] }))', theme)
    const devtools = driver as WebDriver & { sendDevToolsCommand: (name: string, args: object) => Promise<void> }
    await devtools.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: width < 600 })
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
    await devtools.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', { width: 1280, height: 800, deviceScaleFactor: 1, mobile: false })
  })

  test('no request leaves the machine', async () => {
    await fresh('/?step=year&day=20&hour=12')
    await driver.sleep(500)
    const addresses = await driver.executeScript<string[]>('return performance.getEntriesByType("resource").map(e => e.name)')
    expect(addresses.length).toBeGreaterThan(3)
    for (const a of addresses) expect(a.startsWith(app.address) || a.startsWith('data:') || a.startsWith('blob:')).toBe(true)
  })
})

/** Drops a file on the page, as a person would. */
async function dropFile(name: string, content: string): Promise<void> {
  await driver.executeScript(`const transfer = new DataTransfer(); transfer.items.add(new File([arguments[1]], arguments[0]));
    document.querySelector('main').dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }))`, name, content)
  await driver.sleep(300)
}
