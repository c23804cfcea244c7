import { By, Key } from 'selenium-webdriver'
import { choose, click, coldest, consoleErrors, field, find, settled, type, WAIT_MS } from './browser'
import { plain } from '../plain'
import { app, chooseUnits, dimension, drag, driver, dropFile, fresh, metres, text, keepState, element } from './session'

describe('the bench', () => {
  test('opens on the demo, alive: a score, a ribbon, a section to scale', async () => {
    await fresh()
    expect(await driver.getTitle()).toBe('Tierra')
    expect(await (await find(driver, 'design-menu')).getText()).toBe('Hollow Ash Seed Library')
    const score = await coldest(driver)
    expect(score).toBeGreaterThan(-5)
    expect(score).toBeLessThan(8)
    expect(await dimension('width')).toBe('4.60 m')
    // To scale: width and ridge on the screen have the ratio of 4.60 to 3.60.
    const [ridge, width] = await Promise.all(
      ['ridge', 'width'].map(async n => (await find(driver, `handle-${n}`)).getRect()),
    )
    const foot = await (await find(driver, 'handle-foot')).getRect()
    expect((width!.x - foot.x) / (width!.y - ridge!.y)).toBeCloseTo(4.6 / 3.6, 1)
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
    expect(await dimension('angle')).toBe('35.0°')
    expect(await metres('ridge')).toBeGreaterThan(3.6)
    await click(driver, 'undo')

    await click(driver, 'step-store')
    await click(driver, 'take-out-body-0')
    expect(await coldest(driver)).toBeLessThan(base)
    await click(driver, 'undo')
    await type(driver, 'How many', '28')
    const massive = await coldest(driver)
    expect(massive).toBeGreaterThan(base)

    await click(driver, 'step-skin')
    await click(driver, 'tab-cover')
    await choose(driver, 'Kind', 'none')
    expect(await coldest(driver)).toBeLessThan(massive - 2)
    await choose(driver, 'Kind', 'shutter')
    expect(await coldest(driver)).toBeGreaterThan(massive)
    const covered = await coldest(driver)
    await click(driver, 'tab-walls')
    await type(driver, 'Walls, outside to inside, Expanded polystyrene board, thickness', '300 mm')
    expect(await coldest(driver)).toBeGreaterThan(covered)

    await click(driver, 'tab-tight')
    const tight = await coldest(driver)
    await choose(driver, 'How it is built', 'old')
    expect(await coldest(driver)).toBeLessThan(tight - 1)

    await click(driver, 'step-topUp')
    await element(By.css('[role="switch"]')).click()
    await type(driver, 'Greatest output', '15 kW')
    await type(driver, 'Keeps it at', '6 C')
    expect(await coldest(driver)).toBeCloseTo(6, 1)
    expect(await text('[data-test="score"]')).toMatch(/Without added heat/)
  })

  test('the pin: every figure shows its change, and the pin outlives a reload', async () => {
    await fresh('/?step=store')
    await click(driver, 'pin')
    const base = await coldest(driver)
    await type(driver, 'How many', '30')
    const now = await coldest(driver)
    const change = await find(driver, 'coldest-change')
    // Both figures are shown rounded: their difference may differ in its last place from the rounded change.
    const said = await change.getText()
    expect(said).toMatch(/^\+\d+\.\d$/)
    expect(Math.abs(Number(said) - (now - base))).toBeLessThan(0.11)
    expect((await driver.findElements(By.css('[title^="against the pinned design"]'))).length).toBeGreaterThanOrEqual(7)
    await keepState('kept')
    await driver.navigate().refresh()
    await settled(driver)
    expect(await (await find(driver, 'coldest-change')).getText()).toBe(said)
  })

  test('handles: each can be dragged, constraints hold, and one undo takes a drag back', async () => {
    await fresh()
    await drag('ridge', 0, -40)
    expect(await metres('ridge')).toBeGreaterThan(3.8)
    await click(driver, 'undo')
    await settled(driver)
    expect(await dimension('ridge')).toBe('3.60 m')
    await click(driver, 'redo')
    expect(await metres('ridge')).toBeGreaterThan(3.8)
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
    expect(await element(By.css('[data-test="section"] svg')).getAttribute('outerHTML')).not.toMatch(/NaN|Infinity/)
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
    await click(driver, 'tab-cover')
    await chooseUnits('us')
    expect(await dimension('width')).toBe('15 ft 1 in')
    expect(await (await find(driver, 'coldest')).getText()).toMatch(/°F$/)
    expect(await text('[data-test="panel-skin"]')).toMatch(/Adds R 5\.1/)
    await chooseUnits('mixed')
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
    await driver.wait(
      async () => (await driver.findElements(By.css('[data-test="day-chart"] svg path'))).length > 5,
      WAIT_MS,
    )
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
    expect(await dimension('ridge')).toBe('3.68 m')
    const body = await element(By.css('body'))
    await body.sendKeys(Key.chord(Key.CONTROL, 'z'))
    expect(await dimension('ridge')).toBe('3.60 m')
    await body.sendKeys('5')
    await find(driver, 'panel-store')
    await body.sendKeys('u')
    expect(await dimension('width')).toBe('15 ft 1 in')
    await body.sendKeys('n')
    expect(await element(By.css('html')).getAttribute('data-theme')).toBe('night')
    await body.sendKeys('?')
    await driver.wait(async () => (await driver.findElements(By.css('[role="dialog"]'))).length > 0, WAIT_MS)
    await driver.actions().sendKeys(Key.ESCAPE).perform()
    await driver.wait(async () => (await driver.findElements(By.css('[role="dialog"]'))).length === 0, WAIT_MS)
    // Everything that acts can be reached with Tab, and says where it is.
    const reached = new Set<string>()
    for (let i = 0; i < 90; i++) {
      await driver.actions().sendKeys(Key.TAB).perform()
      reached.add(
        await driver.executeScript<string>(
          'const e = document.activeElement; return e.dataset.test || e.getAttribute("aria-label") || ' +
            'e.textContent.trim().slice(0, 20)',
        ),
      )
    }
    for (const name of ['design-menu', 'redo', 'pin', 'export', 'step-skin', 'handle-ridge', 'dim-width', 'ribbon'])
      expect([...reached]).toContain(name)
  })

  test('the strip of shade: solved for the barrels, its sum shown, and put in where one does both', async () => {
    await fresh('/?step=shape')
    await dropFile('plain.json', JSON.stringify({ ...plain, id: 'plain', name: 'Plain' }))
    await settled(driver)
    await click(driver, 'tab-sun')
    const words = async () => (await find(driver, 'shade-solver')).getText()
    expect(await words()).toMatch(/No strip does both for the barrels/)
    await (await find(driver, 'shade-solver')).findElement(By.css('summary')).click()
    expect(await words()).toMatch(/ray of the hot day\s+6\d\.\d°/)
    // Barrels one high: now one strip does both.
    await keepState('kept')
    await driver.get(`${app.address}/?d=plain&step=store`)
    await settled(driver)
    await type(driver, 'Stacked', '1')
    await driver
      .findElement(
        By.xpath(
          '//nav//*[contains(text(), "Shape")] | //*[contains(@class, "path")]//*[normalize-space(text())="Shape"]',
        ),
      )
      .click()
    await settled(driver)
    await click(driver, 'tab-sun')
    expect(await words()).toMatch(/A strip of 0\.8\d m to 1\.\d\d m keeps the barrels in shade/)
    await click(driver, 'take-strip')
    await settled(driver)
    expect(await driver.findElements(By.css('[data-test="shade-strip"]'))).toHaveLength(1)
  })
})
