import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { By, Key } from 'selenium-webdriver'
import { click, coldest, consoleErrors, field, find, settled, type, WAIT_MS } from './browser'
import { appears, downloads, driver, fresh, notice, text, element } from './session'

const value = async (label: string) => (await (await field(driver, label)).getAttribute('value')) ?? ''
const chooseOption = async (name: string, option: string) =>
  (await find(driver, name)).findElement(By.css(`option[value="${option}"]`)).click()

/** Hours of a logger, as a table. */
function logger(rows: (h: number) => string | null): string {
  const lines = ['time;temp;GHI']
  const days = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
  let h = 0
  days.forEach((count, m) => {
    for (let d = 1; d <= count; d++) {
      for (let k = 0; k < 24; k++) {
        const row = rows(h)
        if (row !== null) lines.push(`${d}.${m + 1}.2027 ${String(k).padStart(2, '0')}:00;${row}`)
        h++
      }
    }
  })
  return lines.join('\n')
}

describe('aim and site', () => {
  test('a new place by search, by coordinates and by map', async () => {
    await fresh('/?step=site')
    await (await find(driver, 'place-search')).sendKeys('graz', Key.ENTER)
    await (await find(driver, 'places')).findElement(By.css('button')).click()
    await settled(driver)
    expect(await value('Place')).toMatch(/^Graz/)
    expect(await value('Latitude')).toBe('47.1°')
    await (await find(driver, 'place-search')).sendKeys('46°12′S 70°24′W', Key.ENTER)
    await settled(driver)
    expect(await value('Latitude')).toBe('−46.2°')
    expect(await value('Time zone')).toMatch(/^America\//)
    expect(await text('[data-test="turned-months"]')).toMatch(/hottest month is July, yet the place lies south/)
    expect(await text('[data-test="far-climate"]')).toMatch(/still the climate of .*km away/)
    await (await find(driver, 'place-search')).sendKeys('97, 12', Key.ENTER)
    expect(await (await find(driver, 'place-fault')).getText()).toMatch(/latitude is 97/)
    expect(await value('Latitude')).toBe('−46.2°')
    await click(driver, 'open-map')
    const map = await find(driver, 'world-map')
    await map.sendKeys(Key.chord(Key.SHIFT, Key.ARROW_UP), Key.ARROW_RIGHT)
    expect(await (await find(driver, 'map-words')).getText()).toBe('36.2° S, 69.9° W')
    await click(driver, 'map-take')
    await settled(driver)
    expect(await value('Latitude')).toBe('−36.2°')
  })

  test('an illustrative climate is said to be one; a polar place has no sun in midwinter and says so', async () => {
    await fresh('/?step=site')
    await chooseOption('climate-type', 'mediterranean')
    expect(await notice()).toMatch(/an illustration to begin with, not your place/)
    expect(await coldest(driver)).toBeGreaterThan(4)
    await (await find(driver, 'place-search')).sendKeys('78.2, 15.6', Key.ENTER)
    await chooseOption('climate-type', 'polar')
    await settled(driver)
    expect(await text('[data-test="plan"]')).toMatch(/21 December: the sun does not rise/)
    expect(await text('[data-test="score"]')).toMatch(/Light, (January|November|December)\s+(at the beds[^\n]*\s+)?0/)
    await click(driver, 'tab-north')
    expect(await text('[data-test="panel-site"]')).toMatch(/Solar noon is at/)
  })

  test(
    'a logger’s table: columns are chosen, a gap too long is refused with its place, a good year is ' + 'taken',
    async () => {
      await fresh('/?step=site')
      const before = await coldest(driver)
      const input = await element(By.css('[data-test="csv-file"]'))
      const gap = join(downloads, 'gap.csv')
      writeFileSync(
        gap,
        logger(h =>
          h >= 500 && h < 510
            ? null
            : `${(4 + 8 * Math.sin(h / 1400)).toFixed(1).replace('.', ',')};${h % 24 > 8 && h % 24 < 16 ? 250 : 0}`,
        ),
      )
      await input.sendKeys(gap)
      await click(driver, 'csv-take')
      expect(await (await find(driver, 'csv-fault')).getText()).toMatch(
        /missing for 10 hours from day 21 of the year, after line 501/,
      )
      await driver.actions().sendKeys(Key.ESCAPE).perform()
      expect(await coldest(driver)).toBe(before)
      const good = join(downloads, 'logger.csv')
      writeFileSync(
        good,
        logger(h => `${(4 + 8 * Math.sin(h / 1400)).toFixed(1)};${h % 24 > 8 && h % 24 < 16 ? 250 : 0}`),
      )
      await input.sendKeys(good)
      await click(driver, 'csv-take')
      await driver.wait(
        async () => /An hourly year from logger\.csv/.test(await text('[data-test="panel-site"]')),
        WAIT_MS,
      )
      await settled(driver)
      await driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform()
      expect(await coldest(driver)).toBe(before)
    },
  )

  test('the horizon: an obstacle set in, a corner moved by keys, sun lost told', async () => {
    await fresh('/?step=site')
    await click(driver, 'tab-Horizon')
    expect(await (await find(driver, 'sun-lost')).getText()).toMatch(/takes 0 h of sun/)
    await type(driver, 'How far off', '15m')
    await click(driver, 'set-obstacle')
    await settled(driver)
    const lost = async () =>
      Number(/takes ([\d\s]+) h/.exec(await (await find(driver, 'sun-lost')).getText())![1]!.replace(/\s/g, ''))
    const first = await lost()
    expect(first).toBeGreaterThan(20)
    const corner = await find(driver, 'corner-2')
    for (let i = 0; i < 3; i++) await corner.sendKeys(Key.chord(Key.SHIFT, Key.ARROW_RIGHT))
    await settled(driver)
    expect(await lost()).toBeGreaterThan(first)
    await click(driver, 'clear-horizon')
    await settled(driver)
    expect(await lost()).toBe(0)
  })

  test(
    'the year outside: months, frosts, spells, what is estimated, and a forecast that says it is ' + 'simulated',
    async () => {
      await fresh('/?step=site')
      await click(driver, 'tab-outside')
      const panel = await text('[data-test="panel-site"]')
      expect(panel).toMatch(/estimated/)
      expect(panel).toMatch(/Cold spells of this year/)
      expect(panel).toMatch(/Last frost, first frost/)
      await click(driver, 'forecast')
      expect((await (await find(driver, 'forecast-days')).findElements(By.css('li'))).length).toBe(7)
      expect(panel).toMatch(/simulated weather service/)
    },
  )

  test('crops: chosen, turned by month, judged by the house, the aim line follows; one’s own too', async () => {
    await fresh('/?step=aim')
    await chooseOption('add-crop', 'spinach')
    await chooseOption('add-crop', 'tomato')
    await settled(driver)
    // The first of twenty years brings the calendar.
    await appears('[data-test="crop-told-spinach"]')
    expect(await (await find(driver, 'aim-sentence')).getText()).toMatch(/Spinach/)
    expect(await text('[data-test="crop-told-tomato"]')).toMatch(/plant out from \d+ \w+ \(one year in five/)
    const cell = async (m: number) => (await find(driver, `crop-tomato-${m}`)).getAttribute('aria-label')
    expect(await cell(0)).toMatch(/nothing asked/)
    await (await find(driver, 'crop-tomato-0')).sendKeys(Key.ENTER)
    await settled(driver)
    expect(await cell(0)).toMatch(/Tomato in January: asked to grow; (dies in|alive, (but slow|and stands))/)
    expect(await (await find(driver, 'aim-sentence')).getText()).toMatch(/Tomato in January would mean (heat|lamps)/)
    expect(await text('[data-test="score"]')).toMatch(
      /January: [\d.]+\sK short on \d+ nights; spinach and tomato bear it/,
    )
    await (await find(driver, 'own-crop')).sendKeys('Sea holly', Key.ENTER)
    expect(await text('[data-test="crop-calendar"]')).toMatch(/Sea holly/)
    await element(By.css('[aria-label="Take out Tomato"]')).click()
    expect(await text('[data-test="crop-calendar"]')).not.toMatch(/Tomato/)
    await driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform()
    expect(await text('[data-test="crop-calendar"]')).toMatch(/Tomato/)
    expect(await consoleErrors(driver)).toEqual([])
  })
})
