import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { By, Key } from 'selenium-webdriver'
import { choose, click, coldest, consoleErrors, find, number, settled, WAIT_MS } from './browser'
import { app, chooseUnits, downloads, driver, dropFile, element, fresh, notice, rows, savedText, text } from './session'

/** The text of something, once it is there. */
const said = async (name: string) => (await find(driver, name)).getText()
/** Waits until something says so. */
async function until(name: string, is: RegExp, ms = WAIT_MS): Promise<string> {
  let last = ''
  await driver.wait(
    async () => {
      const found = await driver.findElements(By.css(`[data-test="${name}"]`))
      last = found.length > 0 ? await found[0]!.getText().catch(() => '') : ''
      return is.test(last)
    },
    ms,
    `${name} never said ${is}`,
  )
  return last
}
const phone = (width: number, height: number) =>
  driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: width < 600,
  })
const whole = () => phone(1280, 800)
const iso = (daysAgo: number) => new Date(Date.now() - daysAgo * 86_400_000).toISOString().slice(0, 10)

/** An empty book in the place of the demo's. */
async function startOwn(): Promise<void> {
  await click(driver, 'start-own')
  await driver.wait(
    async () => (await driver.findElements(By.css('[data-test="demo-book"]'))).length === 0,
    WAIT_MS,
    'the demo is still there',
  )
  // What it told would lie over the controls.
  await element(By.css('[data-test="notice"] [aria-label="Close this message"]')).click()
}

/** Takes in what is shown, from the middle of the panel: at its foot lies what was told last. */
async function takeIn(): Promise<void> {
  const button = await find(driver, 'take-log')
  await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', button)
  await driver.wait(async () => button.isEnabled(), WAIT_MS, 'nothing was read')
  await button.click()
}

/** A logger's file of so many days that end yesterday, °F, a degree colder each day. */
function loggerFile(name: string, days: number, offsetF = 0): string {
  const lines = ['time,Inside °F,Outside °F']
  for (let d = days; d > 0; d--)
    for (let h = 0; h < 24; h++) {
      const wave = Math.sin(((h - 9) / 24) * 2 * Math.PI)
      const hour = String(h).padStart(2, '0')
      const [inside, outside] = [50 + 9 * wave + offsetF + d / 50, 30 + 7 * wave + d / 50]
      lines.push(`${iso(d)} ${hour}:00,${inside.toFixed(1)},${outside.toFixed(1)}`)
    }
  const path = join(downloads, name)
  writeFileSync(path, lines.join('\n'))
  return path
}

describe('season book', () => {
  afterEach(whole)

  test('tonight opens on what to do; a typed forecast changes it; what is done is ticked and stays', async () => {
    await fresh('/?step=season')
    const before = number(await said('tonight'))
    expect(await until('tonight-source', /simulated service/)).toMatch(/colder than the design said/)
    expect(await rows('[data-test="nights"] > li')).toHaveLength(4)
    await click(driver, 'type-forecast')
    const [low] = await driver.findElements(By.css('[data-test="forecast"] input:not([type])'))
    await low!.sendKeys(Key.chord(Key.CONTROL, 'a'), '-18', Key.ENTER)
    await click(driver, 'keep-forecast')
    await until('tonight-source', /The forecast was typed/)
    const colder = number(await said('tonight'))
    expect(colder).toBeLessThan(before)
    const [first] = await driver.findElements(By.css('[data-test^="did-"]'))
    const name = (await first!.getAttribute('data-test'))!
    await first!.click()
    // It is struck through once it is kept.
    const struck = By.css('[data-test="to-do"] .line-through')
    await driver.wait(async () => (await driver.findElements(struck)).length > 0, WAIT_MS, 'it was not kept')
    await driver.navigate().refresh()
    await settled(driver)
    await until('tonight-source', /The forecast was typed/)
    expect(await (await find(driver, name)).isSelected()).toBe(true)
    expect(await said('live')).toMatch(/simulated logger/)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('the alarm rings once when the live reading passes a limit, and is written down', async () => {
    await fresh('/?step=season')
    await until('tonight', /inside/)
    await startOwn()
    await click(driver, 'tab-readings')
    const section = await find(driver, 'alarm')
    const [low] = await section.findElements(By.css('input:not([type])'))
    await low!.sendKeys(Key.chord(Key.CONTROL, 'a'), '30', Key.ENTER)
    await section.findElement(By.css('button[role="switch"]')).click()
    await until('alarm-log', /It is \d.* inside, colder than 30\.0/)
    expect((await rows('[data-test="alarm-log"] li')).length).toBe(1)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('on a phone: a night’s low and high in two taps, kept through a reload, beside the design’s', async () => {
    await phone(390, 844)
    await fresh('/?step=season')
    await until('tonight', /inside/)
    await startOwn()
    await click(driver, 'tab-readings')
    await until('no-readings', /Nothing is read yet/)
    await click(driver, 'less-insideMinC')
    await click(driver, 'more-insideMaxC')
    await until('two-taps', /Kept for/)
    const months = await rows('[data-test="read-months"] tbody tr')
    expect(months).toHaveLength(1)
    expect(months[0]).toMatch(/\s1\s+4\.0\s/)
    const wide = await driver.executeScript<number>('return document.scrollingElement.scrollWidth')
    expect(wide).toBeLessThanOrEqual(398)
    await driver.navigate().refresh()
    await settled(driver)
    await click(driver, 'tab-readings')
    await until('read-months', /4\.0/)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('a logger’s file in °F is told before it is taken and laid over another; no log is refused', async () => {
    await fresh('/?step=season')
    await until('tonight', /inside/)
    await startOwn()
    await click(driver, 'tab-readings')
    const drop = async (path: string) => (await find(driver, 'logger-file')).sendKeys(path)
    await drop(loggerFile('first.csv', 20))
    expect(await until('import-told', /480 rows/)).toMatch(/480 rows/)
    const unit = await driver.executeScript<string>(
      `return [...document.querySelectorAll('[data-test="logger-import"] select')].map(s => s.value).join()`,
    )
    expect(unit).toMatch(/^time,insideC,F,outsideC,F,site,day/)
    // The first rows as they are understood: the file’s midnight is °F, what is shown is °C.
    expect((await rows('[data-test="first-rows"] tbody tr'))[0]).toMatch(/00:00\s+\d+\.\d.°C/)
    await takeIn()
    await until('read-months', /\d/)
    const lows = (await rows('[data-test="read-months"] tbody tr')).join('\n')
    // 41 °F of the coldest hour is 5 °C.
    expect(lows).toMatch(/5\.\d/)
    await drop(loggerFile('second.csv', 30, 3))
    await until('import-told', /720 rows/)
    await takeIn()
    await driver.wait(
      async () => /480 hours were there before/.test(await text('body')),
      WAIT_MS,
      'no overlap was told',
    )
    writeFileSync(join(downloads, 'none.csv'), 'hello')
    await drop(join(downloads, 'none.csv'))
    expect(await until('logger-import', /no table in this file/)).toMatch(/none\.csv/)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('a file that was taken in is looked at, read again in other units, taken out, and brought back', async () => {
    await fresh('/?step=season')
    await until('tonight', /inside/)
    await startOwn()
    await click(driver, 'tab-readings')
    // Fahrenheit that says nothing of it, the day and the hour in two columns, and a sensor that failed twice.
    const lines = ['Datum;Uhrzeit;Temperatur innen;Bemerkung']
    for (let d = 6; d > 0; d--)
      for (let h = 0; h < 24; h++) {
        const [year, month, day] = iso(d).split('-')
        const reading = d === 3 && (h === 4 || h === 5) ? '-127' : (38 + h / 2).toFixed(1).replace('.', ',')
        lines.push(`${day}.${month}.${year};${String(h).padStart(2, '0')}:00;${reading};`)
      }
    writeFileSync(join(downloads, 'zwei.csv'), lines.join('\n'))
    await (await find(driver, 'logger-file')).sendKeys(join(downloads, 'zwei.csv'))
    expect(await until('import-told', /144 rows/)).toMatch(/2 readings are what a sensor writes when it fails \(-127\)/)
    expect(await until('import-doubts', /°C or °F/)).toMatch(/Look at the first rows/)
    await takeIn()
    await until('intakes', /zwei\.csv/)
    const low = async () => (await rows('[data-test="read-months"] tbody tr')).join('\n')
    await driver.wait(async () => /38\.0/.test(await low()), WAIT_MS, 'it was not read as °C')
    await click(driver, 'look-at')
    expect(await until('intake-told', /144 rows/)).toMatch(/-127/)
    await click(driver, 'read-again')
    await (await find(driver, 'column-unit')).findElement(By.css('option[value="F"]')).click()
    await until('import-told', /144 rows/)
    await takeIn()
    // 38 °F is 3.3 °C, and the file stands there once.
    await driver.wait(async () => /3\.3/.test(await low()) && !/38\.0/.test(await low()), WAIT_MS, 'not read as °F')
    expect(await rows('[data-test="intakes"] li strong')).toEqual(['zwei.csv'])
    await driver.navigate().refresh()
    await click(driver, 'tab-readings')
    await until('intakes', /zwei\.csv/)
    await click(driver, 'take-out')
    await until('no-readings', /Nothing is read yet/)
    await element(By.xpath('//*[@data-test="notice"]//button[normalize-space(.)="Bring it back"]')).click()
    await until('intakes', /zwei\.csv/)
    await driver.wait(async () => /3\.3/.test(await low()), WAIT_MS, 'it did not come back')
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('a book that cannot be read: said, saved as a file, put aside; the notes of a day go one by one', async () => {
    await fresh('/?step=season')
    await until('tonight', /inside/)
    await startOwn()
    await click(driver, 'tab-diary')
    for (const words of ['same words', 'same words', 'other words']) {
      await (await find(driver, 'note-text')).sendKeys(Key.chord(Key.CONTROL, 'a'), words)
      await click(driver, 'write-down')
      await driver.wait(async () => (await (await find(driver, 'note-text')).getAttribute('value')) === '', WAIT_MS)
    }
    const notes = async () => (await said('diary')).match(/(same|other) words/g) ?? []
    expect(await notes()).toHaveLength(3)
    await element(By.css('[aria-label="Take out: same words"]')).click()
    await driver.wait(async () => (await notes()).length === 2, WAIT_MS, 'more or less than one went')
    await driver.executeAsyncScript(`
      const done = arguments[0]
      const open = indexedDB.open('tierra')
      open.onsuccess = () => {
        const tx = open.result.transaction('beside', 'readwrite')
        const get = tx.objectStore('beside').get('book hollow-ash')
        get.onsuccess = () => {
          get.result.value.version = 9
          tx.objectStore('beside').put(get.result, 'book hollow-ash')
        }
        tx.oncomplete = () => { open.result.close(); done() }
      }`)
    await driver.navigate().refresh()
    expect(await until('damaged-book', /cannot be read/)).toMatch(/from a newer Tierra/)
    await click(driver, 'save-damaged')
    expect(await savedText('season-book-hollow-ash-seed-library.json')).toContain('other words')
    await click(driver, 'begin-anew')
    await driver.wait(
      async () => (await driver.findElements(By.css('[data-test="damaged-book"]'))).length === 0,
      WAIT_MS,
      'it was not put aside',
    )
    await driver.executeScript('document.querySelector(\'a[href="/designs"]\').click()')
    expect(await until('unreadable', /Hollow Ash/)).toMatch(/a season book/)
  })

  test('as designed? finds the leaks of the demo’s year, and lays what it finds on the design', async () => {
    await fresh('/?step=season')
    await until('tonight', /inside/)
    await click(driver, 'tab-designed')
    await until('verdict', /colder than the design says/)
    const sky = await rows('[data-test="by-sky"] tr')
    expect(sky[0]).toMatch(/all hours/)
    await click(driver, 'find')
    expect(await until('explains', /air leaks/, 120_000)).toMatch(/Look for a vent/)
    const leaks = (await rows('[data-test="found"] tbody tr')).find(r => /air leaks/.test(r))!
    expect(leaks).toMatch(/\d+ to \d+/)
    const before = await coldest(driver)
    await click(driver, 'adopt')
    await settled(driver)
    expect(await coldest(driver)).toBeLessThan(before - 0.5)
    await until('verdict', /as the design says|K (colder|warmer)/)
    await click(driver, 'undo')
    expect(await coldest(driver)).toBeCloseTo(before, 1)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('tasks are ticked and put off, and go out as a calendar; crops, water and the year’s page follow', async () => {
    await fresh('/?step=season')
    await until('tonight', /inside/)
    await click(driver, 'tab-tasks')
    await until('season-openers-on', /Hook wax openers/)
    await click(driver, 'done-openers-on')
    await until('season-openers-on', /done/)
    await click(driver, 'save-season-ics')
    expect(await savedText('Hollow Ash Seed Library, season.ics')).toMatch(
      /BEGIN:VEVENT[\s\S]*SUMMARY:Hook wax openers/,
    )
    await click(driver, 'tab-crops')
    expect(await until('crop-rows', /early/)).toMatch(/In the open/)
    await click(driver, 'add-crop')
    await driver.wait(
      async () => (await rows('[data-test="crop-rows"] > li')).length === 3,
      WAIT_MS,
      'no row was added',
    )
    await click(driver, 'tab-water')
    expect(await until('thirst', /drink/)).toMatch(/\d.L in a year/)
    await click(driver, 'tab-diary')
    await choose(driver, 'It is', 'change')
    await (await find(driver, 'note-text')).sendKeys('A baffle over the low vent')
    await click(driver, 'write-down')
    await until('diary', /A baffle over the low vent/)
    expect(await text('[data-test="diary"]')).toMatch(/Hook wax openers/)
    await click(driver, 'tab-designed')
    await until('stretch', /A baffle|since/)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('the book goes out with the design, and comes back with it; two tabs write into one book', async () => {
    await fresh('/?step=season')
    await until('tonight', /inside/)
    await click(driver, 'tab-diary')
    await (await find(driver, 'note-text')).sendKeys('Frost on the ridge')
    await click(driver, 'write-down')
    await until('diary', /Frost on the ridge/)
    await click(driver, 'export')
    const saved = await savedText('hollow-ash-seed-library.json')
    const file = JSON.parse(saved) as { book: { written: { notes: { text: string }[] } } }
    expect(file.book.written.notes.some(n => n.text === 'Frost on the ridge')).toBe(true)
    // A second tab writes; the first shows it, and then writes on top of it.
    const first = await driver.getWindowHandle()
    await driver.switchTo().newWindow('tab')
    await driver.get(`${app.address}/?step=season`)
    await settled(driver)
    await click(driver, 'tab-diary')
    await until('diary', /Frost on the ridge/)
    await (await find(driver, 'note-text')).sendKeys('Written next door')
    await click(driver, 'write-down')
    await until('diary', /Written next door/)
    await driver.close()
    await driver.switchTo().window(first)
    await until('diary', /Written next door/)
    expect(await consoleErrors(driver)).toEqual([])
    // Two changes at once, of which neither is lost.
    await click(driver, 'tab-tasks')
    await until('season-openers-on', /Hook/)
    await driver.executeScript(
      `for (const id of ['openers-on', 'drip-on']) document.querySelector('[data-test="done-' + id + '"]').click()`,
    )
    await until('season-openers-on', /done/)
    await until('season-drip-on', /done/)
    // Wiped and imported again.
    await fresh('/?step=season')
    await until('tonight', /inside/)
    await dropFile('book.json', saved)
    await driver.wait(async () => /is taken in/.test(await notice()), WAIT_MS, 'the file was not taken in')
    await click(driver, 'tab-diary')
    await until('diary', /Frost on the ridge/)
    await chooseUnits('us')
    expect(await text('[data-test="diary"]')).not.toMatch(/\d\s?°C/)
    await chooseUnits('metric')
  })
})
