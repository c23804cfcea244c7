import { spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import { By, Key, type WebDriver } from 'selenium-webdriver'
import { epwText } from '../formats/epw-file'
import { click, coldest, consoleErrors, field, find, number, openBrowser, settled, type, WAIT_MS } from './browser'
import { ownServer } from './own-server'
import { app, chooseUnits, driver, dropFile, fresh, notice, rows, text, keepState, savedText, element } from './session'

const gone = (name: string) =>
  driver.wait(
    async () => (await driver.findElements(By.css(`[data-test="${name}"]`))).length === 0,
    WAIT_MS,
    `${name} is still there`,
  )
const inSheet = (name: string) => find(driver, name)

describe('start yours', () => {
  test('a household: a place, a zone, a lean-to, ten drums: a credible coldest night', async () => {
    await fresh('/')
    await click(driver, 'start-yours')
    await (await inSheet('place-search')).sendKeys('47.8, 13.1', Key.ENTER)
    await (await inSheet('known-low')).sendKeys('6b')
    await find(driver, 'climates')
    await click(driver, 'against-house')
    await click(driver, 'has-drums')
    await click(driver, 'make')
    await gone('start-sheet')
    await settled(driver)
    expect(await notice()).toMatch(/why it begins like this[\s\S]*outside, in \w+[\s\S]*(would go|goes) down to/)
    expect(await text('nav[aria-label="Path of work"]')).toMatch(/lean-to 6\.00 m × 4\.00 m/)
    const c = await coldest(driver)
    expect(c).toBeGreaterThan(-12)
    expect(c).toBeLessThan(15)
    expect(await text('[data-test="on-illustration"]')).toMatch(/illustrative climate/)
    // It is kept, and begins nobody else's work anew.
    await driver.navigate().refresh()
    await settled(driver)
    expect(await coldest(driver)).toBe(c)
  })

  test('south of the equator and in US units: feet, Fahrenheit, dollars, and a winter in July', async () => {
    await fresh('/')
    await chooseUnits('us')
    await click(driver, 'start-yours')
    await (await inSheet('place-search')).sendKeys('45.5 S, 69 W', Key.ENTER)
    await find(driver, 'climates')
    await type(driver, 'Length', '20ft')
    await type(driver, 'Width', '12 ft')
    await click(driver, 'known-kind')
    await (await find(driver, 'known-kind')).findElement(By.css('option[value="record"]')).click()
    await (await inSheet('known-low')).sendKeys('0')
    await click(driver, 'against-bank')
    await click(driver, 'make')
    await gone('start-sheet')
    await settled(driver)
    expect(await text('nav[aria-label="Path of work"]')).toMatch(/20 ft/)
    expect(await text('[data-test="score"]')).toMatch(/(June|July|August)[\s\S]*USD/)
    expect(await text('[data-test="section"]')).toMatch(/sunny side, north/)
  })

  test('a weather file dropped on the sheet is its climate and its place; another file is told', async () => {
    await fresh('/')
    await click(driver, 'start-yours')
    await inSheet('start-like')
    await dropFile('holiday.png', 'PNG', '[data-test="start-sheet"]')
    expect(await text('[data-test="weather-fault"]')).toMatch(/holiday\.png was not taken[\s\S]*\.epw/)
    expect(await (await find(driver, 'make')).isEnabled()).toBe(false)
    await dropFile('field.epw', epwText(), '[data-test="start-sheet"]')
    expect(await text('[data-test="start-weather"]')).toMatch(/field\.epw is used[\s\S]*coldest hour/)
    expect(await driver.findElements(By.css('[data-test="weather-fault"]'))).toHaveLength(0)
    await click(driver, 'make')
    await gone('start-sheet')
    await settled(driver)
    expect(await text('nav[aria-label="Path of work"]')).toMatch(/hourly file/)
    expect(await driver.findElements(By.css('[data-test="on-illustration"]'))).toHaveLength(0)
    await coldest(driver)
  })

  test('no place, no house: wrong input is told where it stands, and closing loses nothing', async () => {
    await fresh('/')
    const before = await coldest(driver)
    await click(driver, 'start-yours')
    expect(await (await find(driver, 'make')).isEnabled()).toBe(false)
    await (await inSheet('place-search')).sendKeys('99, 300', Key.ENTER)
    expect(await text('[data-test="place-fault"]')).toMatch(/allowed is −90 to 90|−180 to 180/)
    await (await inSheet('known-low')).sendKeys('15')
    expect(await text('[data-test="known-note"]')).toMatch(/1 to 13/)
    await (await find(driver, 'start-like')).findElement(By.css('option[value="boreal"]')).click()
    expect(await (await find(driver, 'make')).isEnabled()).toBe(true)
    await driver.actions().sendKeys(Key.ESCAPE).perform()
    await gone('start-sheet')
    expect(await coldest(driver)).toBe(before)
    await click(driver, 'start-yours')
    // What was chosen is still there.
    expect(await (await find(driver, 'start-like')).getAttribute('value')).toBe('boreal')
  })

  test('what one better figure would change is run at both ends', async () => {
    await element(By.css('[data-test="known-low"]')).sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE)
    await click(driver, 'make')
    await gone('start-sheet')
    await settled(driver)
    await click(driver, 'step-site')
    expect(await text('[data-test="illustrative"]')).toMatch(/An illustration/)
    await (await find(driver, 'better-figures')).findElement(By.css('summary')).click()
    await click(driver, 'start-better')
    await find(driver, 'start-better')
    const told = await rows('[data-test="better"] li')
    expect(told.join(' ')).toMatch(/winters colder: \S+\s°C; winters milder: \S+\s°C/)
    expect(told).toHaveLength(5)
    // The longest first.
    const spans = told.map(t => number(t.split('\n')[1]!))
    expect(spans).toEqual([...spans].sort((a, b) => b - a))
    await click(driver, 'months-are-mine')
    expect(await driver.findElements(By.css('[data-test="on-illustration"]'))).toHaveLength(0)
  })
})

describe('without a network or a server', () => {
  test('once opened it reloads with no server: the year, an edit, a place by name, another step', async () => {
    const { child, address } = await ownServer(5231)
    let other: WebDriver | null = null
    try {
      other = await openBrowser()
      await other.get(`${address}/?step=shape`)
      await settled(other)
      await other.wait(
        async () => other!.executeScript<boolean>('return navigator.serviceWorker.controller !== null'),
        WAIT_MS,
        'no service worker took over',
      )
      child.kill()
      await new Promise(resolve => child.once('exit', resolve))
      await expect(fetch(`${address}/api/health`)).rejects.toThrow()
      await other.navigate().refresh()
      await settled(other)
      const before = await coldest(other)
      await type(other, 'Sunny side turned to the east (+) or west (−)', '75')
      expect(await coldest(other)).toBeLessThan(before)
      for (const step of ['season', 'weighUp', 'build', 'site']) await click(other, `step-${step}`)
      await (await find(other, 'place-search')).sendKeys('lisb', Key.ENTER)
      expect(await (await find(other, 'places')).getText()).toMatch(/Lisbon/)
      await other.get(`${address}/designs`)
      const list = await find(other, 'design-list')
      await other.wait(async () => /Hollow Ash/.test(await list.getText()), WAIT_MS, 'the designs are not listed')
      await other.get(`${address}/?step=year`)
      await settled(other)
      // What the browser asks for itself, and the service that is tried first, are not the page's files.
      const own = (e: string) => !/\/api\/places|icon\.svg|manifest/.test(e)
      expect((await consoleErrors(other)).filter(own)).toEqual([])
    } finally {
      child.kill()
      await other?.quit()
    }
  })
})

/**
 * The app as it will be one day: with a word on it that today's has not, and whatever names what has changed under a
 * name of its own, as builds do. Gives back its output.
 */
function laterVersion(): string {
  const to = join(mkdtempSync(join(tmpdir(), 'tierra-version-')), '.output')
  cpSync('.output', to, { recursive: true })
  const own = join(to, 'public/_nuxt')
  const read = (folder: string, kind: string) =>
    readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter(name => name.endsWith(kind) && !name.includes('node_modules'))
      .map(name => ({ path: join(folder, name), text: readFileSync(join(folder, name), 'utf8') }))
  const files = read(own, '.js')
  const changed = new Set(files.filter(f => f.text.includes('Start yours')).map(f => basename(f.path)))
  expect(changed.size).toBeGreaterThan(0)
  for (let known = 0; known < changed.size; ) {
    known = changed.size
    for (const f of files) if ([...changed].some(name => f.text.includes(name))) changed.add(basename(f.path))
  }
  const later = (text: string) =>
    [...changed].reduce(
      (t, name) => t.replaceAll(name, `_${name.slice(1)}`),
      text.replaceAll('Start yours', 'Begin yours'),
    )
  for (const { path, text } of files) {
    rmSync(path)
    writeFileSync(join(own, later(basename(path))), later(text))
  }
  const offline = JSON.stringify(join(process.cwd(), 'scripts/build/offline.mjs'))
  const script = `import(${offline}).then(m => m.writeServiceWorker(process.argv[1]))`
  const written = spawnSync(process.execPath, ['-e', script, join(to, 'public')], { encoding: 'utf8' })
  if (written.status !== 0) throw new Error(`No service worker for the later version: ${written.stderr.slice(-2000)}`)
  const { size } = statSync(join(to, 'public/sw.js'))
  for (const { path, text } of read(join(to, 'server'), '.mjs')) {
    // What was pressed before is of the old files; and the server tells the age of a file by its list.
    const list = later(text)
      .replaceAll(/("\/(?:sw|_nuxt\/[^"]*)\.js)\.(?:br|gz)"/g, '$1.old"')
      .replace(/("\/sw\.js": \{[^}]*?"etag": )"(?:\\.|[^"\\])*"([^}]*?"size": )\d+/, `$1"later"$2${size}`)
    if (list !== text) writeFileSync(path, list)
  }
  return to
}

describe('a new version', () => {
  test('is told and waits; nothing is reloaded until somebody says so, and then no work is lost', async () => {
    const next = laterVersion()
    const port = 5237
    let server = await ownServer(port)
    const other = await openBrowser()
    try {
      await other.get(`${server.address}/?step=store`)
      await settled(other)
      const controlled = 'return navigator.serviceWorker.controller !== null'
      await other.wait(async () => other.executeScript<boolean>(controlled), WAIT_MS, 'no service worker took over')
      server.child.kill()
      await new Promise(resolve => server.child.once('exit', resolve))
      server = await ownServer(port, next)
      await type(other, 'How many', '27')
      await other.executeScript('window.sameVisit = true')
      await other.executeScript('navigator.serviceWorker.getRegistration().then(r => r.update())')
      const told = await other.wait(
        async () =>
          (await other.findElements(By.xpath('//*[@data-test="notice"][contains(.,"new version of Tierra")]')))[0] ??
          false,
        WAIT_MS,
        'the new version was not told',
      )
      await other.sleep(1500)
      expect(await other.executeScript('return window.sameVisit === true')).toBe(true)
      expect(await (await find(other, 'start-yours')).getText()).toBe('Start yours')
      // Work in hand, at the very moment of going over.
      await type(other, 'How many', '29')
      await (told as Awaited<ReturnType<typeof find>>).findElement(By.xpath('.//button[.="Use it now"]')).click()
      await other.wait(async () => other.executeScript<boolean>('return window.sameVisit !== true'), WAIT_MS)
      await settled(other)
      expect(await (await find(other, 'start-yours')).getText()).toBe('Begin yours')
      expect(await (await field(other, 'How many')).getAttribute('value')).toBe('29')
    } finally {
      server.child.kill()
      await other.quit()
    }
  }, 300_000)
})

describe('one file that holds everything', () => {
  test('backed up, and restored by drop on a fresh profile: designs, studies, season book', async () => {
    await fresh('/?step=store')
    await type(driver, 'How many', '23')
    await keepState('kept')
    const score = await coldest(driver)
    await driver.get(`${app.address}/designs`)
    await find(driver, 'design-list')
    await click(driver, 'duplicate')
    await driver.wait(async () => (await text('[data-test="design-list"]')).includes('(2)'), WAIT_MS)
    await click(driver, 'backup')
    const file = await savedText(/^tierra-backup-.*\.json$/)

    const other = (await openBrowser(
      { width: 1280, height: 800 },
      mkdtempSync(join(tmpdir(), 'tierra-other-')),
    )) as typeof driver
    try {
      await other.get(`${app.address}/designs`)
      await find(other, 'design-list')
      await other.executeScript(
        `const transfer = new DataTransfer(); transfer.items.add(new File([arguments[0]], 'all.json'));
        document.querySelector('[data-test=design-list]').dispatchEvent(
          new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }))`,
        file,
      )
      const told = await (await find(other, 'notice')).getText()
      // The four other demos are there just the same; the changed one and its copy come in.
      expect(told).toMatch(/2 of 6 designs are taken in[\s\S]*4 were there already/)
      await other
        .findElement(By.xpath('//*[contains(@data-test,"design-")]//*[contains(text(),"Library (2)")]'))
        .click()
      await settled(other)
      expect(await coldest(other)).toBe(score)
      await click(other, 'step-store')
      expect(await (await field(other, 'How many')).getAttribute('value')).toBe('23')
    } finally {
      await other.quit()
    }
  })

  test('somebody who has worked for a fortnight without one is reminded, once', async () => {
    await fresh('/?step=store')
    await type(driver, 'How many', '19')
    await keepState('kept')
    const reminded = async () => {
      await driver.navigate().refresh()
      await settled(driver)
      await driver.sleep(500)
      return (await rows('[data-test="notice"]')).some(n => /kept in this browser alone/.test(n))
    }
    // The fortnight begins with the first work.
    expect(await reminded()).toBe(false)
    await driver.executeScript('localStorage.setItem("tierra-backup-reminded-at", String(Date.now() - 15 * 86400000))')
    expect(await reminded()).toBe(true)
    expect(await notice()).toMatch(/there is no backup of them/)
    expect(await reminded()).toBe(false)
  })

  test('a torn backup is refused with a sentence, and a damaged design of a sound one is left out', async () => {
    await fresh('/')
    await dropFile('all.json', '{"tierraBackup": 1, "designs": [')
    expect(await notice()).toMatch(/all\.json was not taken in; nothing has changed[\s\S]*torn/)
    await dropFile('one.json', '{"tierraBackup": 1, "madeAt": "", "designs": [{"name": "Ruined", "schemaVersion": 4}]}')
    await driver.wait(
      async () => /0 of 1 designs[\s\S]*Cannot be read[\s\S]*“Ruined”/.test(await text('body')),
      WAIT_MS,
    )
  })
})

describe('the walk through the demo', () => {
  const stop = () => text('[data-test="walk-title"]')
  const next = async () => {
    await driver.wait(
      async () => (await (await find(driver, 'walk-next')).getText()) === 'Next',
      WAIT_MS,
      `the stop is not done: ${await stop()}`,
    )
    await click(driver, 'walk-next')
  }
  test('by the keys alone: each stop is done by doing it, and the last opens the sheet', async () => {
    await fresh('/?step=aim')
    await (await find(driver, 'walk-through')).sendKeys(Key.ENTER)
    await find(driver, 'walk')
    expect(await stop()).toMatch(/1 of 6 Drag the ridge/)
    // What is read out first is the stop.
    expect(await driver.executeScript('return document.activeElement.dataset.test')).toBe('walk-title')
    expect(await (await find(driver, 'walk-next')).getText()).toBe('Skip')
    await (await find(driver, 'handle-ridge')).sendKeys(Key.ARROW_UP)
    await next()
    const kind = await driver.wait(
      async () => (await driver.findElements(By.css('[data-why="skin.cover.id"] select')))[0] ?? false,
      WAIT_MS,
      'no cover to choose',
    )
    const covered = await coldest(driver)
    await (kind as Awaited<ReturnType<typeof find>>).findElement(By.css('option[value="none"]')).click()
    expect(await coldest(driver)).toBeLessThan(covered - 1)
    expect(await (await find(driver, 'walk-next')).getText()).toBe('Skip')
    await element(By.css('[data-why="skin.cover.id"] select option[value="quilt"]')).click()
    await next()
    await type(driver, 'How many', '18')
    expect(await text('[data-test="walk-seen"]')).toMatch(/Water evens out days/)
    await next()
    expect(await stop()).toMatch(/4 of 6 Read why/)
    await next()
    await click(driver, 'start-ladder')
    await next()
    expect(await stop()).toMatch(/6 of 6 Start yours/)
    await (await find(driver, 'start-yours')).sendKeys(Key.ENTER)
    await find(driver, 'start-sheet')
    await gone('walk')
    await driver.actions().sendKeys(Key.ESCAPE).perform()
  })

  test('skipped, left, and taken up again after a reload', async () => {
    await fresh('/')
    await click(driver, 'walk-through')
    await find(driver, 'walk')
    await click(driver, 'walk-next')
    await driver.wait(async () => /2 of 6/.test(await stop()), WAIT_MS)
    await click(driver, 'walk-leave')
    await gone('walk')
    await driver.navigate().refresh()
    await settled(driver)
    expect(await (await find(driver, 'walk-through')).getText()).toBe('Walk on (2 of 6)')
    await click(driver, 'walk-through')
    await driver.wait(async () => /2 of 6 Draw the blanket/.test(await stop()), WAIT_MS)
    await click(driver, 'walk-leave')
  })
})

describe('words', () => {
  test('every field on the screen says why, and a term is one press away, by pointer and by keys', async () => {
    await fresh('/?step=shape')
    await click(driver, 'tab-dimensions')
    const knee = await field(driver, 'Knee wall')
    await knee.sendKeys(Key.F1)
    expect(await text('[data-test="why"]')).toMatch(/snow and splash[\s\S]*0\.00 m to 3\.00 m is allowed/)
    expect(await text('[data-test="told"]')).toMatch(/low solid wall under the glazing/)
    await driver.actions().sendKeys(Key.ESCAPE).perform()
    await gone('words-sheet')
    await element(By.xpath('//*[@data-test="score"]//button[normalize-space(.)="Damp hours"]')).click()
    expect(await text('[data-test="told"]')).toMatch(/Relative humidity[\s\S]*mould/)
    await (await find(driver, 'word-search')).sendKeys('purl')
    expect(await rows('[data-test="all-words"] button')).toEqual(['Purlin'])
    await driver.actions().sendKeys(Key.ESCAPE).perform()
    await gone('words-sheet')
    await driver.actions().sendKeys('w').perform()
    expect(await text('[data-test="here"]')).toMatch(/Knee wall[\s\S]*DLI|DLI[\s\S]*Knee wall/)
    await driver.actions().sendKeys(Key.ESCAPE).perform()
  })
})
