import { By, Key, until } from 'selenium-webdriver'
import { amiss, DAY, looksLike, type Look } from './axe'
import { click, coldest, field, find, settled, WAIT_MS } from './browser'
import { app, driver, fresh, element } from './session'
import { openStep, STEPS } from './steps'

describe('axe finds nothing at any level', () => {
  beforeAll(() => fresh('/'))
  afterAll(() => looksLike(DAY))

  test('the steps are those of the page', async () => {
    const shown = await driver.executeScript<string[]>(
      'return [...document.querySelectorAll("nav [data-test^=step-]")].map(e => e.dataset.test.slice(5))',
    )
    expect(shown).toEqual(STEPS)
  })

  test.each<Look>([
    { theme: 'night', width: 1280, height: 800 },
    { theme: 'day', width: 390, height: 844 },
  ])('in the list, any sheet or dialog, the walk: $theme, $width × $height', async look => {
    const { width } = look
    await looksLike(look)
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
    await sheet('how far', () => click(driver, 'how-far'))
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
  afterEach(() => looksLike(DAY))

  test('at twice the size of everything nothing is cut off, and the score stays in view', async () => {
    await fresh('/')
    await looksLike({ ...DAY, width: 640, height: 400 })
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

  test('what is opened by a key and left by Escape gives focus back to what opened it', async () => {
    await fresh('/')
    for (const [opener, opened] of [
      ['how-far', '[data-test="trust"]'],
      ['start-yours', '[data-test="start-sheet"]'],
    ] as const) {
      await (await find(driver, opener)).sendKeys(Key.ENTER)
      const there = await element(By.css(opened))
      await driver.actions().sendKeys(Key.ESCAPE).perform()
      await driver.wait(until.stalenessOf(there), WAIT_MS, `${opened} stays`)
      expect(await driver.switchTo().activeElement().getAttribute('data-test')).toBe(opener)
    }
  })

  test('on a phone: the score in view wherever one scrolls, the header in one row, handles a thumb wide', async () => {
    await fresh('/')
    await looksLike({ ...DAY, width: 390, height: 844 })
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
    // The first score is said too, once the page has come to rest.
    await driver.wait(async () => (await heard()) !== '', WAIT_MS, 'the first score is not said')
    const first = await heard()
    await driver.executeScript(
      'window.said = []; new MutationObserver(() => window.said.push(document.querySelector("[data-test=spoken]")' +
        '.textContent)).observe(document.querySelector("[data-test=spoken]"), ' +
        '{ childList: true, characterData: true, subtree: true })',
    )
    // Typed in one go: no busy machine makes pauses between them.
    const all = Key.chord(Key.CONTROL, 'a')
    const howMany = await field(driver, 'How many')
    await howMany.sendKeys(...['15', '17', '20'].flatMap(count => [all, count, Key.ENTER]))
    await settled(driver)
    const score = await coldest(driver)
    await driver.wait(async () => (await heard()) !== first, WAIT_MS, 'the new score is not said')
    expect(await heard()).toContain(`${score}`.replace('-', '−'))
    // Three edits, one sentence.
    expect((await driver.executeScript<string[]>('return window.said')).length).toBe(1)
  })
})
