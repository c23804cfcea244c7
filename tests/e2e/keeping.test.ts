import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { By, Key } from 'selenium-webdriver'
import { DEMOS } from '../../core/design'
import { click, coldest, field, find, settled, type } from './browser'
import { app, downloads, driver, dropFile, fresh, notice, text } from './session'

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
    await driver.wait(async () => await names() === DEMOS.length, 5000)
    await click(driver, 'duplicate')
    await driver.wait(async () => await names() === DEMOS.length + 1, 5000)
    await driver.findElement(By.css('[aria-label^="Rename"]')).click()
    await (await find(driver, 'name-input')).sendKeys(Key.chord(Key.CONTROL, 'a'), 'Orchard house', Key.ENTER)
    await driver.wait(async () => (await text('[data-test="design-list"]')).includes('Orchard house'), 5000)
    await driver.findElement(By.css('[aria-label="Delete Orchard house"]')).click()
    await driver.wait(async () => await names() === DEMOS.length, 5000)
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
    await type(driver, 'How many', '8')
    await driver.wait(async () => (await (await find(driver, 'keep-state')).getText()) === 'kept', 5000)
    await driver.switchTo().window(second)
    await driver.navigate().refresh()
    await settled(driver)
    expect(await (await field(driver, 'How many')).getAttribute('value')).toBe('20')
    await driver.close()
    await driver.switchTo().window(first)
  })

  test('a blocked store is told; work goes on and export still works', async () => {
    await driver.get(`${app.address}/icon.svg`)
    const { identifier } = await driver.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: 'IDBFactory.prototype.open = () => { throw new DOMException("blocked", "SecurityError") }' })
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
    await driver.sendDevToolsCommand('Page.removeScriptToEvaluateOnNewDocument', { identifier })
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
    await driver.sendDevToolsCommand('Network.enable', {})
    await driver.sendDevToolsCommand('Network.emulateNetworkConditions', { offline: true, latency: 0, downloadThroughput: 0, uploadThroughput: 0 })
    const before = await coldest(driver)
    await type(driver, 'How many', '35')
    expect(await coldest(driver)).toBeGreaterThan(before)
    for (const step of ['aim', 'site', 'shape', 'skin', 'breathe', 'topUp', 'year']) {
      await click(driver, `step-${step}`)
      await find(driver, `panel-${step}`)
    }
    await driver.sendDevToolsCommand('Network.emulateNetworkConditions', { offline: false, latency: 0, downloadThroughput: -1, uploadThroughput: -1 })
  })
})
