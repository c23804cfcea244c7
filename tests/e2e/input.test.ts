import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { By, Key } from 'selenium-webdriver'
import { epwText } from '../formats/epw-file'
import { click, coldest, field, find, settled, type, WAIT_MS } from './browser'
import { chooseUnits, downloads, driver, fresh, notice, text, keepState, element } from './session'

describe('real input', () => {
  test('typing again what stands there changes nothing, in feet; crops keep the catalogue’s needs', async () => {
    await fresh('/?step=shape')
    await chooseUnits('us')
    const before = await driver.executeScript<string>('return document.querySelector("[data-test=undo]").disabled + ""')
    const again = async () => {
      const fields = await driver.findElements(By.css('[data-test^="panel-"] input.input:not([type]):not(:disabled)'))
      for (const input of fields) {
        if (!(await input.isDisplayed())) continue
        const shown = (await input.getAttribute('value'))!
        if (shown === '') continue
        await input.sendKeys(Key.chord(Key.CONTROL, 'a'), shown.replaceAll(/[\u00a0\u202f]/g, ' '), Key.TAB)
      }
      return fields.length
    }
    let tried = await again()
    for (const step of ['aim', 'site', 'skin', 'store', 'breathe', 'topUp']) {
      await click(driver, `step-${step}`)
      await find(driver, `panel-${step}`)
      tried += await again()
    }
    expect(tried).toBeGreaterThan(40)
    expect(before).toBe('true')
    expect(await (await find(driver, 'undo')).isEnabled()).toBe(false)
    await chooseUnits('metric')
  })

  test('a field in red is not passed over; a name that is no time zone is told and stays as it was typed', async () => {
    await fresh('/?step=site')
    const zone = await find(driver, 'time-zone')
    await zone.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Mars', Key.TAB)
    expect(await text('[data-test="panel-site"]')).toMatch(/“Mars” is not taken\. No such time zone is known here/)
    expect(await zone.getAttribute('value')).toBe('Mars')
    await zone.sendKeys(Key.ESCAPE)
    expect(await zone.getAttribute('value')).toBe('Europe/Vienna')
    await click(driver, 'start-yours')
    await element(By.css('[data-test="start-sheet"] [data-test="place-search"]')).sendKeys('47.8, 13.1', Key.ENTER)
    await find(driver, 'climates')
    const length = await field(driver, 'Length')
    await length.sendKeys(Key.chord(Key.CONTROL, 'a'), '900 m', Key.TAB)
    await click(driver, 'make')
    expect(await text('[data-test="start-sheet"] footer')).toMatch(
      /“Length” holds what cannot be used: nothing was done/,
    )
    const focused = await driver.executeScript<string>('return document.activeElement.value')
    expect(focused).toBe('900 m')
  })

  test('another place, by hand: its time zone comes along; the other hemisphere is asked about', async () => {
    await fresh('/?step=site')
    await type(driver, 'Longitude', '-70.4')
    await type(driver, 'Latitude', '-46.2')
    expect(await (await field(driver, 'Time zone')).getAttribute('value')).toMatch(/^America\//)
    expect(await text('[data-test="turned-months"]')).toMatch(/hottest month is July/)
    // The offer goes as soon as it does not hold any more.
    await type(driver, 'Latitude', '46.2')
    expect(await driver.findElements(By.css('[data-test="turned-months"]'))).toHaveLength(0)
    await type(driver, 'Latitude', '-46.2')
    await element(By.xpath('//button[normalize-space(.)="Move the months by half a year"]')).click()
    await settled(driver)
    expect(await (await find(driver, 'highC-0')).getAttribute('value')).toBe('25.1')
    expect(await text('[data-test="score"]')).toMatch(/(June|July|August)/)
    await type(driver, 'Latitude', '95')
    expect(await text('[data-test="panel-site"]')).toMatch(/Out of range: −90\.0° to 90\.0° is allowed/)
  })

  test(
    'months: lows typed above the old highs stay as typed until the highs come; any unit; every figure ' +
      'the year uses is shown, changed and given back',
    async () => {
      await fresh('/?step=site')
      const cell = async (name: string) => find(driver, name)
      const put = async (name: string, typed: string) =>
        (await cell(name)).sendKeys(Key.chord(Key.CONTROL, 'a'), typed, Key.TAB)
      const before = await coldest(driver)
      for (const m of [0, 1, 11]) await put(`lowC-${m}`, '12')
      expect(await (await cell('lowC-0')).getAttribute('value')).toBe('12')
      expect(await (await cell('lowC-0')).getAttribute('aria-invalid')).toBe('true')
      expect(await text('[data-test="month-faults"]')).toMatch(
        /January: the low of 12\.0.°C is not half a degree below the high/,
      )
      expect(await coldest(driver)).toBe(before)
      // Elsewhere and back: what was typed waits.
      await click(driver, 'step-skin')
      await click(driver, 'step-site')
      expect(await (await cell('lowC-0')).getAttribute('value')).toBe('12')
      for (const m of [0, 1, 11]) await put(`highC-${m}`, '68F')
      expect(await (await cell('highC-0')).getAttribute('value')).toBe('20.0')
      expect(await driver.findElements(By.css('[data-test="month-faults"]'))).toHaveLength(0)
      expect(await coldest(driver)).toBeGreaterThan(before + 1)
      // An illustrative climate brings sunshine: shown, and given back to the estimate.
      await (await find(driver, 'climate-type')).findElement(By.css('option[value="continental"]')).click()
      expect(await (await cell('sunshineH-0')).getAttribute('value')).toBe('2.4')
      const given = await coldest(driver)
      await click(driver, 'estimate-sunshineH')
      await settled(driver)
      expect(await text('[data-test="row-sunshineH"]')).toMatch(/estimated/)
      expect(await coldest(driver)).not.toBe(given)
      await click(driver, 'give-windMs')
      // A breeze of two and a half, as the made days bring it.
      const windMs = Number(await (await cell('windMs-0')).getAttribute('value'))
      expect([windMs > 1.7, windMs < 4]).toEqual([true, true])
    },
  )

  test('normals pasted from a spreadsheet; what is wrong is said and nothing is lost', async () => {
    await fresh('/?step=site')
    await element(By.xpath('//summary[contains(., "Paste a table")]')).click()
    const box = await find(driver, 'paste')
    const paste = async (value: string) => {
      await driver.executeScript(
        'arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event("input"))',
        box,
        value,
      )
      await click(driver, 'use-paste')
    }
    await paste('1\t2\n3\t4')
    expect(await (await find(driver, 'paste-fault')).getText()).toMatch(/twelve/)
    expect(await box.getAttribute('value')).toContain('3\t4')
    const before = await coldest(driver)
    const low = (m: number) => (m < 6 ? m * 4 - 22.5 : 21.5 - m * 4)
    await paste(
      ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
        .map((name, m) => `${name}\t${String(low(m)).replace('.', ',')}\t${low(m) + 8}`)
        .join('\n'),
    )
    expect(await coldest(driver)).toBeLessThan(before - 1)
    expect(await (await find(driver, 'lowC-0')).getAttribute('value')).toBe('−22.5')
  })

  test('an EPW file by hand, and a truncated one', async () => {
    await fresh('/?step=site')
    const input = await element(By.css('[data-test="epw-file"]'))
    const cut = join(downloads, 'cut.epw')
    writeFileSync(cut, epwText().slice(0, 200000))
    await input.sendKeys(cut)
    expect(await notice()).toMatch(/cut\.epw was not taken; nothing has changed/)
    const good = join(downloads, 'field.epw')
    writeFileSync(good, epwText())
    await input.sendKeys(good)
    await driver.wait(
      async () => /An hourly year from field\.epw/.test(await text('[data-test="panel-site"]')),
      WAIT_MS,
    )
    await settled(driver)
    expect(await (await field(driver, 'Latitude')).getAttribute('value')).toBe('47.0°')
    await keepState('kept')
    await driver.navigate().refresh()
    await settled(driver)
    expect(await text('[data-test="panel-site"]')).toMatch(/An hourly year from field\.epw/)
    // One winter is no spread; another beside it makes two, and more are made where somebody wants them.
    expect(await text('[data-test="one-winter"]')).toMatch(/says nothing of how far others stray/)
    const other = join(downloads, 'other.epw')
    const colder = (cells: string[]) => cells.map((c, i) => (i === 6 || i === 7 ? String(Number(c) - 4) : c))
    writeFileSync(other, epwText({ change: colder }))
    await click(driver, 'add-epw')
    await (await element(By.css('[data-test="epw-file"]'))).sendKeys(other)
    const says = (css: string, what: RegExp) => driver.wait(async () => what.test(await text(css)), WAIT_MS)
    await says('[data-test="measured-years"]', /field\.epw[\s\S]*the house is worked out in it[\s\S]*other\.epw/)
    await says('[data-test="winters"]', /in the 2 measured ones, .+ to /)
    await (await element(By.css('[data-test="measured-years"] button[role="switch"]'))).click()
    await says('[data-test="winters"]', /in eight of ten, .+ to /)
  })
})
