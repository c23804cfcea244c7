import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By, Key } from 'selenium-webdriver'
import { DEMOS } from '../../core/design'
import { epwText } from '../formats/epw-file'
import { AS_NEWER, click, coldest, field, find, killProcesses, openBrowser, settled, type, WAIT_MS } from './browser'
import { app, driver, dropFile, fresh, freshWithAll, notice, text, keepState, savedText, element } from './session'

describe('keeping', () => {
  test('autosave and reload; export, wipe, import bring the same design and score', async () => {
    await fresh('/?step=store')
    await type(driver, 'How many', '21')
    const score = await coldest(driver)
    await keepState('kept')
    await driver.navigate().refresh()
    await settled(driver)
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('21')
    expect(await coldest(driver)).toBe(score)
    await click(driver, 'export')
    const exported = await savedText('hollow-ash-seed-library.json')
    expect(JSON.parse(exported).store.bodies[0]!.count).toBe(21)

    await fresh('/?step=store')
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('14')
    await dropFile('mine.json', exported)
    await driver.wait(async () => (await (await find(driver, 'design-menu')).getText()).includes('(2)'), WAIT_MS)
    expect(await coldest(driver)).toBe(score)
  })

  test('damaged and foreign files: sentences with the path, and nothing changes', async () => {
    await fresh()
    const before = await coldest(driver)
    await dropFile('torn.json', '{"schemaVersion": 1, "shape"')
    expect(await notice()).toMatch(/torn\.json was not taken in; nothing has changed[\s\S]*not JSON/)
    await dropFile(
      'bad.json',
      JSON.stringify({
        ...DEMOS[0],
        shape: { ...DEMOS[0]!.shape, lengthM: -3 },
        skin: { ...DEMOS[0]!.skin, glazing: 'ice' },
      }),
    )
    await driver.wait(
      async () => /shape\.lengthM: is out of range; allowed: a number from 1 to 100/.test(await text('body')),
      WAIT_MS,
    )
    expect(await text('body')).toMatch(/skin\.glazing: “ice” is not known/)
    await dropFile('photo.png', '\u0089PNG')
    expect(await coldest(driver)).toBe(before)
    expect(await (await find(driver, 'design-menu')).getText()).toBe('Hollow Ash Seed Library')
  })

  test('the list: new, duplicate, rename, delete with undo', async () => {
    await fresh('/')
    await driver.get(`${app.address}/designs`)
    const names = async () => (await driver.findElements(By.css('[data-test="design-list"] .slab'))).length
    await driver.wait(async () => (await names()) === DEMOS.length, WAIT_MS)
    await click(driver, 'duplicate')
    await driver.wait(async () => (await names()) === DEMOS.length + 1, WAIT_MS)
    await element(By.css('[aria-label^="Rename"]')).click()
    await (await find(driver, 'name-input')).sendKeys(Key.chord(Key.CONTROL, 'a'), 'Orchard house', Key.ENTER)
    await driver.wait(async () => (await text('[data-test="design-list"]')).includes('Orchard house'), WAIT_MS)
    await element(By.css('[aria-label="Delete Orchard house"]')).click()
    await driver.wait(async () => (await names()) === DEMOS.length, WAIT_MS)
    await element(By.xpath('//*[@data-test="notice"]//button[normalize-space(.)="Undo"]')).click()
    await driver.wait(async () => (await text('[data-test="design-list"]')).includes('Orchard house'), WAIT_MS)
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
    await keepState('kept')
    await driver.switchTo().window(first)
    await find(driver, 'conflict')
    await type(driver, 'How many', '7')
    await driver.sleep(800)
    await click(driver, 'keep-mine')
    await driver.wait(
      async () => (await (await find(driver, 'design-menu')).getText()) === 'Hollow Ash Seed Library (2)',
      WAIT_MS,
    )
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('7')
    await type(driver, 'How many', '8')
    await keepState('kept')
    await driver.switchTo().window(second)
    await driver.navigate().refresh()
    await settled(driver)
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('20')
    await driver.close()
    await driver.switchTo().window(first)
  })

  test('deleted in one tab, changed in the other: said there, and kept on a word', async () => {
    await fresh('/?step=store')
    const first = await driver.getWindowHandle()
    await driver.switchTo().newWindow('tab')
    await driver.get(`${app.address}/designs`)
    await element(By.css('[aria-label="Delete Hollow Ash Seed Library"]')).click()
    await driver.wait(async () => !(await text('[data-test="design-list"]')).includes('Hollow Ash'), WAIT_MS)
    const second = await driver.getWindowHandle()
    await driver.switchTo().window(first)
    expect(await (await find(driver, 'conflict')).getText()).toMatch(/deleted in another tab/)
    await type(driver, 'How many', '31')
    await click(driver, 'keep-deleted')
    await keepState('kept')
    await driver.navigate().refresh()
    await settled(driver)
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('31')
    await driver.switchTo().window(second)
    await driver.close()
    await driver.switchTo().window(first)
  })

  test('what a newer version has written is listed apart, said at its address, and saved as a file', async () => {
    await fresh('/?step=store')
    await driver.executeAsyncScript(AS_NEWER, 'fjellro')
    await driver.get(`${app.address}/?d=fjellro&step=store`)
    await settled(driver)
    expect(await notice()).toMatch(/in the address cannot be read; another is opened[\s\S]*newer Tierra/)
    expect(await (await find(driver, 'design-menu')).getText()).toBe('Hollow Ash Seed Library')
    await driver.get(`${app.address}/designs`)
    expect(await text('[data-test="unreadable"]')).toMatch(/Fjellro Orchard[\s\S]*a design[\s\S]*newer Tierra/)
    expect(await text('[data-test="design-list"]')).not.toMatch(/Fjellro/)
    await click(driver, 'save-unreadable')
    expect(await savedText('a-design-fjellro-orchard.json')).toContain('a field of tomorrow')
    await click(driver, 'backup')
    expect(await savedText(/^tierra-backup/)).toContain('a field of tomorrow')
    await click(driver, 'discard')
    await click(driver, 'discard-now')
    await driver.wait(
      async () => (await driver.findElements(By.css('[data-test="unreadable"]'))).length === 0,
      WAIT_MS,
      'it was not deleted',
    )
  })

  test('the design that was last on the bench is opened; undo and redo outlive a reload', async () => {
    await fresh('/?step=store')
    await driver.get(`${app.address}/designs`)
    await element(By.css('[aria-label="Duplicate Hollow Ash Seed Library"]')).click()
    await driver.wait(async () => /Library \(2\) · on the bench/.test(await text('[data-test="design-list"]')), WAIT_MS)
    await driver.get(`${app.address}/?step=store`)
    await settled(driver)
    const many = async () => (await field(driver, 'How many')).getAttribute('value')
    const says = (count: string) =>
      driver.wait(async () => (await many()) === count, WAIT_MS, `it did not come to ${count}`)
    for (const count of ['15', '16', '17']) {
      await type(driver, 'How many', count)
      // Edits of one kind within a moment are one step.
      await driver.sleep(1100)
    }
    await click(driver, 'undo')
    await says('16')
    await keepState('kept')
    await driver.sleep(800)
    await driver.get(`${app.address}/`)
    await settled(driver)
    expect(await (await find(driver, 'design-menu')).getText()).toBe('Hollow Ash Seed Library (2)')
    await click(driver, 'step-store')
    await says('16')
    await click(driver, 'redo')
    await says('17')
    for (const count of ['16', '15', '14']) {
      await click(driver, 'undo')
      await says(count)
    }
  })

  test('a blocked store is told; work goes on and export still works', async () => {
    await driver.get(`${app.address}/icon.svg`)
    const { identifier } = await driver.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
      source: 'IDBFactory.prototype.open = () => { throw new DOMException("blocked", "SecurityError") }',
    })
    await driver.get(`${app.address}/?d=hollow-ash&step=store`)
    await settled(driver)
    expect(await notice()).toMatch(/does not let Tierra keep designs/)
    expect(await (await find(driver, 'keep-state')).getText()).toBe('in memory only')
    const before = await coldest(driver)
    await type(driver, 'How many', '40')
    expect(await coldest(driver)).toBeGreaterThan(before)
    await click(driver, 'export')
    expect(JSON.parse(await savedText(/\(1\)\.json$/)).store.bodies[0].count).toBe(40)
    await driver.sendDevToolsCommand('Page.removeScriptToEvaluateOnNewDocument', { identifier })
  })

  test('a store that fills up is told; nothing on the bench or the list is lost', async () => {
    await fresh('/?step=store')
    await driver.executeScript(
      'IDBObjectStore.prototype.put = () => { throw new DOMException("full", "QuotaExceededError") }',
    )
    await type(driver, 'How many', '25')
    expect(await notice()).toMatch(/blocked or full/)
    await keepState('in memory only')
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('25')
    await driver.executeScript('document.querySelector(\'a[href="/designs"]\').click()')
    await find(driver, 'design-list')
    expect(await text('[data-test="design-list"]')).toMatch(/Escuela Ribera Alta/)
    await element(By.css('[data-test="design-hollow-ash"] button')).click()
    await settled(driver)
    await click(driver, 'step-store')
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('25')
  })

  test('left within 0 to 400 ms of an edit, six times: none is lost', async () => {
    await fresh('/?step=store')
    for (let i = 0; i < 6; i++) {
      const count = 10 + i
      await type(driver, 'How many', String(count))
      await driver.sleep(i * 80)
      await driver.navigate().refresh()
      await field(driver, 'How many')
      await settled(driver)
      expect(await (await field(driver, 'How many')).getAttribute('value')).toBe(String(count))
    }
  }, 240000)

  test('a browser that is killed as soon as it says kept has kept it', async () => {
    const profile = mkdtempSync(join(tmpdir(), 'tierra-killed-'))
    for (const count of ['17', '19']) {
      const other = await openBrowser({ width: 1280, height: 800 }, tmpdir(), { profile })
      await other.get(`${app.address}/?step=store`)
      await settled(other)
      await type(other, 'How many', count)
      await other.wait(
        async () => (await (await find(other, 'keep-state')).getText()) === 'kept',
        WAIT_MS,
        'not kept',
        5,
      )
      killProcesses(profile)
      await other.quit().catch(() => {})
      const again = await openBrowser({ width: 1280, height: 800 }, tmpdir(), { profile })
      await again.get(`${app.address}/?step=store`)
      await settled(again)
      expect(await (await field(again, 'How many')).getAttribute('value')).toBe(count)
      await again.quit()
    }
  }, 180000)

  test(
    'on a plain host name, where the browser has no secure context: new, duplicate, edit and import ' + 'work',
    async () => {
      const other = await openBrowser({ width: 1280, height: 800 }, tmpdir(), {
        arguments: ['--host-resolver-rules=MAP bench.test 127.0.0.1'],
      })
      try {
        const address = app.address.replace('127.0.0.1', 'bench.test')
        await other.get(`${address}/?step=store`)
        await settled(other)
        expect(await other.executeScript('return window.isSecureContext')).toBe(false)
        await click(other, 'design-menu')
        await click(other, 'menu-new')
        await other.wait(async () => (await (await find(other, 'design-menu')).getText()) === 'New greenhouse', WAIT_MS)
        await click(other, 'step-store')
        await type(other, 'How many', '9')
        await keepState('kept', other)
        await other.navigate().refresh()
        await settled(other)
        expect(await (await field(other, 'How many')).getAttribute('value')).toBe('9')
        await other.get(`${address}/designs`)
        await click(other, 'duplicate')
        await other.wait(
          async () => /\(2\)/.test(await other.findElement(By.css('[data-test="design-list"]')).getText()),
          WAIT_MS,
        )
      } finally {
        await other.quit()
      }
    },
  )

  test('back and forward go through the steps; dragged text is no file, a dropped EPW is weather', async () => {
    await fresh('/?step=shape')
    // A step is there once its panel is: one that is passed over sooner leaves no trace to come back to.
    for (const step of ['skin', 'store', 'year']) {
      await click(driver, `step-${step}`)
      await find(driver, `panel-${step}`)
    }
    await driver.navigate().back()
    await find(driver, 'panel-store')
    await driver.navigate().back()
    await find(driver, 'panel-skin')
    await driver.navigate().forward()
    await find(driver, 'panel-store')
    await driver.executeScript(
      'const t = new DataTransfer(); t.setData("text/plain", "x"); ' +
        'document.querySelector("main").dispatchEvent(new DragEvent("dragover", { dataTransfer: t, bubbles: ' +
        'true, cancelable: true }))',
    )
    expect(await text('body')).not.toMatch(/Drop a design/)
    await dropFile('field.epw', epwText())
    expect(await notice()).toMatch(/a year of 8760 hours is in use/)
    await driver.get(`${app.address}/?d=nobody&step=store`)
    await settled(driver)
    expect(await notice()).toMatch(/is not kept in this browser/)
  })

  test('the page weighs at most 400 kB before its first score', async () => {
    // A browser that has never been here keeps no file of it.
    const other = await openBrowser()
    await other.get(`${app.address}/`)
    await find(other, 'coldest')
    // What is fetched after the score, or with the controls where it is late, is what steps need.
    const weight = await other.executeScript<number>(`
      const first = name => performance.getEntriesByType('mark').find(m => m.name === name)?.startTime ?? Infinity
      const at = Math.min(first('first score'), first('controls'))
      const before = performance.getEntriesByType('resource').filter(r => r.startTime < at)
      return before.reduce((sum, r) => sum + r.transferSize, 0)`)
    await other.quit()
    expect(weight).toBeGreaterThan(100_000)
    expect(weight).toBeLessThan(400_000)
  })

  test('once loaded it works offline', async () => {
    await freshWithAll('/?step=store')
    await driver.sendDevToolsCommand('Network.enable', {})
    await driver.sendDevToolsCommand('Network.emulateNetworkConditions', {
      offline: true,
      latency: 0,
      downloadThroughput: 0,
      uploadThroughput: 0,
    })
    const before = await coldest(driver)
    await type(driver, 'How many', '35')
    expect(await coldest(driver)).toBeGreaterThan(before)
    for (const step of ['aim', 'site', 'shape', 'skin', 'breathe', 'topUp', 'year']) {
      await click(driver, `step-${step}`)
      await find(driver, `panel-${step}`)
    }
    await driver.sendDevToolsCommand('Network.emulateNetworkConditions', {
      offline: false,
      latency: 0,
      downloadThroughput: -1,
      uploadThroughput: -1,
    })
  })
})
