import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { By, Key, until } from 'selenium-webdriver'
import { click, coldest, find, settled, type, WAIT_MS } from './browser'
import { app, driver, fresh, rows, element } from './session'

const AXE = readFileSync(createRequire(join(process.cwd(), 'package.json')).resolve('axe-core/axe.min.js'), 'utf8')
const STEPS = ['aim', 'site', 'shape', 'skin', 'store', 'breathe', 'topUp', 'year', 'weighUp', 'build', 'season']
/** Two looks at each step: between them both themes, both widths and the units of both kinds of reader. */
const LOOKS: [theme: string, width: number, height: number, units: 'metric' | 'us'][] = [
  ['day', 1280, 800, 'metric'],
  ['night', 390, 844, 'us'],
]
/** Amounts of which a reader in each has no use. Pressures of a fan test and light by area are the same in both. */
const FOREIGN = {
  metric: /\d\s?(ft|gal|lb|yd³|ft²|ft³|°F|mph|cfm|BTU)(?![\w²³/·])|\b(gallons?|pounds?)\b/,
  us: /\d\s?(mm|cm|m|km|m²|m³|kg|L|°C|K|m\/s|km\/h|m³\/h|W\/m²K|W\/m·K|m²K\/W)(?![\w²³/·])|\blitres?\b/,
}
/** Lines on the screen, what is folded away among them, with an amount that is foreign to the reader. */
async function foreign(units: 'metric' | 'us'): Promise<string[]> {
  const shown = await driver.executeScript<string>(
    'document.querySelectorAll("details").forEach(d => (d.open = true)); return document.body.innerText',
  )
  return shown.split('\n').filter(line => FOREIGN[units].test(line))
}

/** What axe finds at any level within a part of the page, and whether the page is wider than its window. */
async function amiss(where: string, part = 'html'): Promise<string[]> {
  const found = await scan(where, part)
  if (found.length === 0) return found
  // What is dimmed while it is worked out is looked at again once it is there.
  await driver.sleep(2000)
  return scan(where, part)
}
async function scan(where: string, part: string): Promise<string[]> {
  await driver.executeScript('if (!window.axe) eval(arguments[0])', AXE)
  const found = await driver.executeAsyncScript<{ id: string; nodes: { html: string }[] }[]>(
    'const done = arguments[1]; axe.run(arguments[0], { resultTypes: ["violations"] }).then(r => done(r.violations))',
    part,
  )
  const wider = await driver.executeScript<number>(
    'return document.documentElement.scrollWidth - document.documentElement.clientWidth',
  )
  return [
    ...found.map(v => `${where}: ${v.id}: ${v.nodes[0]!.html.slice(0, 160)}`),
    ...(wider > 0 ? [`${where}: ${wider} px wider than the window`] : []),
  ]
}
async function looksLike(theme: string, width: number, height: number, units = 'metric'): Promise<void> {
  await driver.executeScript(
    'localStorage.setItem("tierra-settings", JSON.stringify({ units: arguments[1], theme: arguments[0] }))',
    theme,
    units,
  )
  await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: width < 600,
  })
}
const openStep = async (id: string) => {
  await driver.get(`${app.address}/?step=${id}`)
  await settled(driver)
  await driver.wait(until.elementLocated(By.css(`[data-test="panel-${id}"] *`)), WAIT_MS, `${id} stays empty`)
}

describe('axe finds nothing at any level', () => {
  beforeAll(() => fresh('/'))
  afterAll(() => looksLike('day', 1280, 800))

  test('the steps are those of the page', async () => {
    const shown = await driver.executeScript<string[]>(
      'return [...document.querySelectorAll("nav [data-test^=step-]")].map(e => e.dataset.test.slice(5))',
    )
    expect(shown).toEqual(STEPS)
  })

  describe.each(LOOKS)('%s, %i × %i, %s', (theme, width, height, units) => {
    test.each(STEPS)('in any part of the step %s, nor is an amount foreign to the reader', async id => {
      await looksLike(theme, width, height, units)
      await openStep(id)
      await driver.sleep(500)
      const tabs = await rows('.controls [role=tab]')
      const found = [...(await amiss(`${id} ${tabs[0] ?? ''}`)), ...(await foreign(units))]
      for (let i = 1; i < tabs.length; i++) {
        await driver.executeScript('document.querySelectorAll(".controls [role=tab]")[arguments[0]].click()', i)
        await driver.sleep(400)
        found.push(...(await amiss(`${id} ${tabs[i]}`, '.controls')), ...(await foreign(units)))
      }
      expect(found).toEqual([])
    })

    test.each(['plan', 'model', 'heat'])('in the view %s', async view => {
      await looksLike(theme, width, height, units)
      await openStep('shape')
      await click(driver, `view-${view}`)
      await driver.sleep(700)
      expect(await amiss(view)).toEqual([])
    })
  })

  test.each([
    ['night', 1280, 800],
    ['day', 390, 844],
  ])('in the list, any sheet or dialog, the walk: %s, %i × %i', async (theme, width, height) => {
    await looksLike(theme, width, height)
    const found: string[] = []
    await driver.get(`${app.address}/designs`)
    await find(driver, 'design-list')
    found.push(...(await amiss('the list')))
    await openStep('site')
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
})

describe('at other sizes, and by ear', () => {
  afterEach(() => looksLike('day', 1280, 800))

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
    await find(driver, 'nights')
    expect((await (await element(By.css('header'))).getRect()).height).toBeLessThan(56)
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
})
