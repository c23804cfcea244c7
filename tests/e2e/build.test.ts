import { PDFDocument } from 'pdf-lib'
import { Key } from 'selenium-webdriver'
import { choose, click, consoleErrors, field, find, number, settled, type } from './browser'
import { chooseUnits, drag, driver, fresh, rows, savedFile, savedText, text } from './session'

const total = async () => number((await (await find(driver, 'takeoff-total')).getText()).replaceAll(/[^\d]/g, ''))

describe('build', () => {
  test('what to buy follows the drawing, takes own prices and notes, and goes out as CSV', async () => {
    await fresh('/?step=build')
    const before = await total()
    expect(before).toBeGreaterThan(5000)
    expect(await text('[data-test="takeoff"]')).toMatch(/the marked face to the sun/)
    // A higher house takes more.
    await click(driver, 'step-shape')
    await drag('ridge', 0, -50)
    await click(driver, 'step-build')
    const higher = await total()
    expect(higher).toBeGreaterThan(before * 1.01)
    // A note on a line, by keys.
    await click(driver, 'write-inside-barrels-barrel-200-l')
    const supplier = await find(driver, 'supplier-inside-barrels-barrel-200-l')
    await supplier.sendKeys('Brook Farm', Key.ENTER)
    expect(await text('[data-test="line-inside-barrels-barrel-200-l"]')).toMatch(/Brook Farm/)
    // Half of the barrels are there already.
    await type(driver, 'Already mine', '7')
    expect(await text('[data-test="line-inside-barrels-barrel-200-l"]')).toMatch(/already mine: 7/)
    const bought = await total()
    expect(bought).toBeLessThan(higher - 50)
    await type(driver, 'Already mine', '-3')
    expect(await text('[data-test="line-inside-barrels-barrel-200-l"]')).toMatch(/Out of range: 0 to 14/)
    await (await field(driver, 'Already mine')).sendKeys(Key.ESCAPE)
    await click(driver, 'save-takeoff')
    const csv = await savedText('take-off.csv')
    expect(csv.split('\n')[0]).toMatch(/^stage,part,item,needed,unit,waste,buy,pack/)
    expect(csv).toMatch(/Brook Farm/)
    const own = Number(/^All,.*?,(\d+\.?\d*),/m.exec(csv)![1])
    expect(Math.round(own)).toBe(bought)
    await driver.navigate().refresh()
    await settled(driver)
    expect(await text('[data-test="line-inside-barrels-barrel-200-l"]')).toMatch(/Brook Farm/)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('a foundation is chosen by what speaks for and against it here; wrong input is told', async () => {
    await fresh('/?step=build')
    await click(driver, 'tab-foundation')
    expect(number(await text('[data-test="frost"]'))).toBeGreaterThan(0.3)
    await type(driver, 'It goes down', '0.4')
    expect(
      (await rows('[data-test="foundations"] tbody tr')).filter(r => /ends above where frost goes/.test(r)).length,
    ).toBeGreaterThan(3)
    await click(driver, 'foundation-piles')
    await click(driver, 'tab-takeoff')
    expect(await text('[data-test="takeoff"]')).toMatch(/Screw piles/)
    await click(driver, 'undo')
    expect(await text('[data-test="takeoff"]')).toMatch(/Washed stone/)
  })

  test('cuts with their saw angles, in feet too; a dome’s facets by kind', async () => {
    await fresh('/?step=build')
    await click(driver, 'tab-cuts')
    const member = async (name: RegExp) => (await rows('[data-test="members"] tbody tr')).find(r => name.test(r))!
    const rafter = /^rafter\s+sunny slope/
    expect(await member(rafter)).toMatch(/4.065.mm\s+seat, saw at 58\.1°; plumb, saw at 31\.9°/)
    expect(await member(/^stud\s+back wall/)).toMatch(/\s18\s+2.300/)
    expect(await text('[data-test="spacing"]')).toMatch(/2 bays to a sheet of 1\.05/)
    await type(driver, 'Rafters and studs apart, at most', '1.2')
    expect(await member(/^stud\s+back wall/)).toMatch(/\s10\s+2.300/)
    await chooseUnits('us')
    expect(await member(rafter)).toMatch(/13.ft 4/)
    // Sheets keep the name that they are sold by.
    const words = (await text('[data-test="panel-build"]')).replaceAll(/polycarbonate, \d+ mm/g, '')
    expect(words).not.toMatch(/\d\s?(m|mm|m²)\b/)
    await fresh('/?d=saritas&step=build')
    await click(driver, 'tab-cuts')
    expect(await rows('[data-test="facets"] > li')).toHaveLength(6)
    expect(await text('[data-test="corners"]')).toMatch(/12 at the foot, 150\.0° from above.*at 15\.0°/s)
  })

  test('drawings to scale go out as SVG, DXF and PDF; what does not fit is told', async () => {
    await fresh('/?step=build')
    await click(driver, 'tab-drawings')
    const picture = await find(driver, 'drawing')
    expect(await picture.getAttribute('alt')).toBe(
      'Hollow Ash Seed Library: Section, looking to the west end, 1:50 on A4',
    )
    await choose(driver, 'Scale', '10')
    expect(await text('[data-test="panel-build"]')).toMatch(/at 1:10 does not fit on A4; allowed: 1:\d+ or smaller/)
    await choose(driver, 'Scale', '')
    await choose(driver, 'Drawing', 'pipes')
    expect(await text('[data-test="panel-build"]')).toMatch(/This house has no pipes to draw/)
    await choose(driver, 'Drawing', 'foundation')
    for (const [kind, start] of [
      ['svg', '<svg xmlns'],
      ['dxf', '0\nSECTION'],
      ['pdf', '%PDF-'],
    ] as const) {
      await click(driver, `save-${kind}`)
      const saved = await savedFile(`Hollow Ash Seed Library, foundation plan.${kind}`)
      expect(saved.toString('latin1').startsWith(start)).toBe(true)
    }
    expect((await savedFile('Hollow Ash Seed Library, foundation plan.dxf')).toString('latin1')).toMatch(/DIMENSION/)
    await type(driver, 'Revision', 'C')
    expect(decodeURIComponent((await (await find(driver, 'drawing')).getAttribute('src'))!)).toMatch(/revision C,/)
    await click(driver, 'save-set')
    const set = await savedFile('Hollow Ash Seed Library, builders set.pdf')
    expect((await PDFDocument.load(set)).getPageCount()).toBeGreaterThanOrEqual(20)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('by keys alone: along the tabs to the drawings, to the glazing layout, and out as a file', async () => {
    await fresh('/?step=build')
    const active = () => driver.switchTo().activeElement()
    await driver.executeScript(`document.querySelector('[data-test="tab-takeoff"]').focus()`)
    for (let k = 0; k < 3; k++) await (await active()).sendKeys(Key.ARROW_RIGHT)
    expect(await (await active()).getAttribute('data-test')).toBe('tab-drawings')
    // From the tab into its panel, to the choice of drawing.
    for (let k = 0; k < 4 && (await (await active()).getTagName()) !== 'select'; k++)
      await (await active()).sendKeys(Key.TAB)
    await (await active()).sendKeys('Glazing')
    expect(await (await find(driver, 'drawing')).getAttribute('alt')).toMatch(/Glazing layout, seen from outside/)
    for (let k = 0; k < 6 && (await (await active()).getAttribute('data-test')) !== 'save-svg'; k++)
      await (await active()).sendKeys(Key.TAB)
    await (await active()).sendKeys(Key.ENTER)
    expect(await savedText('Hollow Ash Seed Library, glazing layout.svg')).toMatch(/sunny slope/)
  })

  test('order of work: days off, a task moved by keys, ticks that stay, a calendar file; no day is told', async () => {
    await fresh('/?step=build')
    await click(driver, 'tab-plan')
    const day = async (id: string) => (await find(driver, `bar-${id}`)).getAttribute('aria-valuenow').then(Number)
    const setStart = (value: string) =>
      driver.executeScript(
        `const i = document.querySelector('[data-test="plan-start"]')
        i.value = arguments[0]; i.dispatchEvent(new Event('change', { bubbles: true }))`,
        value,
      )
    await setStart('2027-02-01')
    expect(await text('[data-test="task-dig"]')).toMatch(/Waits for ground that has thawed/)
    expect(await text('[data-test="task-lines-marked"]')).toMatch(/^Hold:.*Power, gas, water and drains/s)
    const end = await text('[data-test="plan-end"]')
    await click(driver, 'off-saturday')
    expect(await text('[data-test="plan-end"]')).not.toBe(end)
    const [glazing, openings] = [await day('glazing'), await day('openings')]
    await (await find(driver, 'bar-glazing')).sendKeys(Key.PAGE_DOWN)
    expect(await day('glazing')).toBeGreaterThanOrEqual(glazing + 7)
    expect(await day('openings')).toBeGreaterThan(openings)
    await click(driver, 'tick-lines-marked')
    await setStart('')
    expect(await text('[data-test="panel-build"]')).toMatch(/That is no day of the calendar/)
    await click(driver, 'save-ics')
    expect(await savedText('Hollow Ash Seed Library, order of work.ics')).toMatch(/^BEGIN:VCALENDAR/)
    await driver.navigate().refresh()
    await settled(driver)
    await click(driver, 'tab-plan')
    expect(await (await find(driver, 'tick-lines-marked')).isSelected()).toBe(true)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('the sheet for the office says what is known, in feet too, and leaves loads open', async () => {
    await fresh('/?step=build')
    await click(driver, 'tab-permit')
    const sheet = await text('[data-test="permit"]')
    expect(sheet).toMatch(/Height of the ridge over the ground\s+3\.60.m/)
    expect(sheet).toMatch(/Snow load, as given by the office or an engineer\s+open: the engineer/)
    await type(driver, 'From the east end to the boundary', '7.5')
    expect(await text('[data-test="permit"]')).toMatch(/From the east end to the boundary\s+7\.50.m/)
    await chooseUnits('us')
    expect(await text('[data-test="permit"]')).toMatch(/Height of the ridge over the ground\s+11.ft 10.in/)
    await chooseUnits('metric')
  })
})
