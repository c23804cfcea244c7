import { formatCompound } from '../../core/units'
import { readFileSync } from 'node:fs'
import { By, Key } from 'selenium-webdriver'
import { choose, click, coldest, consoleErrors, field, find, settled, type, WAIT_MS } from './browser'
import { chooseUnits, driver, dropFile, element, fresh, keptYear, plainly, shown, shownKWh, text } from './session'

/** The lines of a list, read in one go: a page that is drawn again in between leaves none behind. */
const lines = async (list: string): Promise<string[]> =>
  driver.executeScript(
    'return [...document.querySelectorAll(arguments[0])].map(li => li.innerText)',
    `[data-test="${list}-list"] > li`,
  )
const turnOn = async (label: string) => {
  const at = By.xpath(`//label[contains(normalize-space(.), ${JSON.stringify(label)})]`)
  await driver.wait(
    async () => (await driver.findElements(at)).length > 0,
    WAIT_MS,
    `nothing is to be switched: ${label}`,
  )
  await element(at).click()
}

describe('what adds heat and light', () => {
  test('a stove that someone lights: its card, its figures, wrong input, undo', async () => {
    await fresh('/?step=topUp')
    const cold = await coldest(driver)
    await click(driver, 'add-stove')
    await settled(driver)
    expect((await lines('source')).join('\n')).toMatch(/Stove\s+wood stove, .*lit when a night is forecast below/)
    await type(driver, 'Lit when the night is forecast below', '-5 C')
    await type(driver, 'Heat while it burns', '6 kW')
    await settled(driver)
    expect(await coldest(driver)).toBeGreaterThan(cold + 0.5)
    const { kWh, hours, bought } = (await keptYear()).answers.sources[1]!
    expect(plainly(await text('[data-test="source-figures-1"]'))).toBe(
      `Brings ${shownKWh(kWh)} a year in ${Math.round(hours)} hours, 6 000 W at most; ` +
        `${plainly(formatCompound(bought!.amount, bought!.unit, 'metric', 3))}, about EUR ${Math.round(bought!.cost)}.`,
    )
    expect(await text('[data-test="score"]')).toMatch(/Without added heat/)
    // What is no temperature is told, and what was typed stays.
    const below = await field(driver, 'Lit when the night is forecast below')
    await below.sendKeys(Key.chord(Key.CONTROL, 'a'), 'chilly', Key.ENTER)
    expect(await text('[data-test="source-fields"]')).toMatch(/chilly/)
    expect(await below.getAttribute('value')).toBe('chilly')
    await below.sendKeys(Key.ESCAPE)
    await type(driver, 'Burns for', '30')
    expect(await text('[data-test="source-fields"]')).toMatch(/Out of range: .* to 24/)
    await (await field(driver, 'Burns for')).sendKeys(Key.ESCAPE)
    await click(driver, 'take-out-source-1')
    await settled(driver)
    expect(await coldest(driver)).toBe(cold)
    await click(driver, 'undo')
    await settled(driver)
    expect(await lines('source')).toHaveLength(2)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('heat into a named body, months of lamps, every kind; all outlives a reload', async () => {
    await fresh('/?step=topUp')
    await click(driver, 'source-0')
    await turnOn('In use')
    await choose(driver, 'What it does', 'body')
    await choose(driver, 'Which body', '0')
    await type(driver, 'Keeps it at', '24 C')
    await settled(driver)
    expect((await lines('source'))[0]).toMatch(/keeps its body at 24/)
    await click(driver, 'add-lamps')
    const may = By.css('[data-test="source-fields"] button[aria-label="May"]')
    await driver.wait(async () => (await driver.findElements(may)).length > 0, WAIT_MS)
    expect(await element(may).getAttribute('aria-pressed')).toBe('false')
    await element(may).sendKeys(Key.SPACE)
    expect(await element(may).getAttribute('aria-pressed')).toBe('true')
    for (const kind of ['bed-loop', 'people', 'solar-air-panel', 'solar-water-panel', 'compost', 'spare-power'])
      await click(driver, `add-${kind}`)
    await settled(driver)
    expect(await lines('source')).toHaveLength(8)
    await driver.sleep(500)
    await driver.navigate().refresh()
    await settled(driver)
    expect(await lines('source')).toHaveLength(8)
    // Its heat now goes to the first body that holds water.
    await click(driver, 'step-store')
    await click(driver, 'take-out-body-0')
    await settled(driver)
    await click(driver, 'step-topUp')
    await click(driver, 'source-0')
    expect(await (await field(driver, 'Which body')).getAttribute('value')).toBe('')
    expect(await consoleErrors(driver)).toEqual([])
  })
})

describe('air stores, floor, beds and covers', () => {
  test('air through the ground: put in, figures, one too large is refused in its field', async () => {
    await fresh('/?step=store')
    await click(driver, 'tab-air')
    for (const kind of ['earth-store', 'rock-bed', 'earth-tube']) await click(driver, `add-${kind}`)
    await settled(driver)
    const store = (await keptYear()).answers.airStores[0]!
    expect(plainly(await text('[data-test="air-store-figures-0"]'))).toBe(
      `Runs ${Math.round(store.hours)} hours a year, takes ${shownKWh(store.tookKWh)}, gives ` +
        `${shownKWh(store.gaveKWh)}; stands between ${shown(store.coldestC!, 'temperature')} and ` +
        `${shown(store.warmestC!, 'temperature')}.`,
    )
    await click(driver, 'air-store-1')
    await type(driver, 'Area', '90')
    expect(await text('[data-test="air-store-fields"]')).toMatch(/larger than the floor/)
    await (await field(driver, 'Area')).sendKeys(Key.ESCAPE)
    await click(driver, 'take-out-air-store-0')
    expect(await lines('air-store')).toHaveLength(2)
  })

  test('a path of its own, foam under the floor: drawn, and in the year', async () => {
    await fresh('/?step=store')
    await settled(driver)
    const drawn = async () => (await driver.findElements(By.css('[data-test="floor-layer"]'))).length
    const before = await drawn()
    await click(driver, 'tab-floor')
    await turnOn('The path is made otherwise')
    await settled(driver)
    expect(await drawn()).toBeGreaterThanOrEqual(before)
    await driver
      .findElement(By.xpath('//fieldset[.//legend[contains(., "Under the beds")]]//button[contains(., "on top")]'))
      .click()
    await settled(driver)
    expect(await drawn()).toBe(before + 2)
    await click(driver, 'undo')
    expect(await drawn()).toBe(before)
  })

  test('a bed’s crop and soil, a cover moved by hand: each changes the year', async () => {
    await fresh('/?d=fjellro&step=shape')
    await click(driver, 'tab-beds')
    const damp = async () => {
      const row = element(By.xpath('//*[@data-test="score"]//div[dt[contains(., "Damp hours")]]'))
      return Number(/(\d[\d\s\u202f]*)\s*h\b/.exec(await row.getText())![1]!.replace(/\D/g, ''))
    }
    await settled(driver)
    const before = await damp()
    await choose(driver, 'Its soil is', 'film')
    await settled(driver)
    expect(await damp()).toBeLessThan(before)
    await choose(driver, 'Crop', 'kale')
    await settled(driver)
    await click(driver, 'step-skin')
    await click(driver, 'tab-cover')
    const motor = await text('[data-test="score"]')
    await choose(driver, 'Moved', 'hand')
    await type(driver, 'Nights forgotten a month', '15')
    await settled(driver)
    expect(await text('[data-test="score"]')).not.toBe(motor)
    await turnOn('Drawn as shade too')
    await field(driver, 'When outside is above')
    expect(await consoleErrors(driver)).toEqual([])
  })
})

describe('fans, linings, fillings and winters', () => {
  test('fans: put in, their figures, wrong input said in the field, taken out and brought back', async () => {
    await fresh('/?d=hollow-ash&step=breathe')
    await click(driver, 'tab-fans')
    for (const kind of ['extract-fan', 'circulating-fan']) await click(driver, `add-${kind}`)
    await settled(driver)
    expect(await text('[data-test="fan-figures-1"]')).toMatch(/Runs in 8760 hours of the year, uses 350 kWh/)
    expect(await text('[data-test="fan-fields"]')).not.toMatch(/Warmer than/)
    await choose(driver, 'Runs', 'warm')
    await field(driver, 'Warmer than')
    await click(driver, 'fan-0')
    await type(driver, 'Flow', 'a gale')
    expect(await text('[data-test="fan-fields"]')).toMatch(/a gale/)
    await (await field(driver, 'Flow')).sendKeys(Key.ESCAPE)
    await type(driver, 'Starts at', '77F')
    await settled(driver)
    expect(await (await field(driver, 'Starts at')).getAttribute('value')).toMatch(/^25\.0\s°C$/)
    await click(driver, 'take-out-fan-0')
    expect(await lines('fan')).toHaveLength(1)
    await click(driver, 'undo')
    expect(await lines('fan')).toHaveLength(2)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('a lining on the knee wall and a tank of sand change the night; a boarded window is told', async () => {
    await fresh('/?d=hollow-ash&step=store')
    const before = await coldest(driver)
    await click(driver, 'tab-floor')
    await click(driver, 'add-lining')
    expect(await (await field(driver, 'On')).getAttribute('value')).toBe('backWall')
    expect((await driver.findElements(By.css('[data-test="lining-list"] > li'))).length).toBe(2)
    await click(driver, 'tab-bodies')
    await click(driver, 'add-tank')
    const wet = await coldest(driver)
    expect(wet).toBeGreaterThan(before)
    await choose(driver, 'Filled with', 'sand')
    expect(await coldest(driver)).toBeLessThanOrEqual(wet)
    expect(await text('[data-test="body-1"] + *')).toMatch(/of dry sand/)
    await click(driver, 'step-breathe')
    await choose(driver, 'In winter', 'plugged')
    await choose(driver, 'Winter goes', 'cold')
    await field(driver, 'Winter while a week is below')
    await settled(driver)
    expect(await consoleErrors(driver)).toEqual([])
  })
})

test('the calendar of the house: visits, a holiday, days that there are not; a stove keeps to it', async () => {
  await fresh('/?step=breathe')
  await click(driver, 'tab-people')
  expect(await text('[data-test="presence"]')).toMatch(/on 365 days, in 3650 hours/)
  await type(driver, 'Until, o’clock', '9')
  await click(driver, 'add-visit')
  expect(await text('[data-test="presence"]')).toMatch(/on 365 days, in 3650 hours/)
  await click(driver, 'take-out-visit-1')
  expect(await text('[data-test="presence"]')).toMatch(/on 365 days, in 365 hours/)
  await choose(driver, 'Comes', 'weekdays')
  expect(await text('[data-test="presence"]')).toMatch(/on 261 days.*2 days/s)
  await click(driver, 'add-span')
  await type(driver, 'Called', 'Winter holidays')
  await type(driver, 'From the day', '02-30')
  expect(await text('[data-test="span-list"]')).toMatch(/“02-30” is not a day of the year.*as in 12-20/s)
  await (await field(driver, 'From the day')).sendKeys(Key.ESCAPE)
  await type(driver, 'From the day', '12-20')
  await type(driver, 'To the day', '02-10')
  // 10 February is a Saturday of the year that counts from a Monday.
  expect(await text('[data-test="presence"]')).toMatch(/54 days, 20 December to 11 February/)
  // What if nobody came: a row for the calendar as it is, and for each that changes hours.
  await click(driver, 'start-absences')
  await driver.wait(async () => (await text('[data-test="absences"]')).includes('somebody every morning'), WAIT_MS)
  expect(await text('[data-test="absences"]')).toMatch(/as the calendar says.*°C.*nobody all year.*°C/s)
  await click(driver, 'step-topUp')
  await click(driver, 'add-stove')
  await type(driver, 'Lit when the night is forecast below', '0 C')
  await settled(driver)
  const some = await coldest(driver)
  await choose(driver, 'Somebody lights it', 'always')
  await settled(driver)
  expect(some).toBeLessThan(await coldest(driver))
  expect(await consoleErrors(driver)).toEqual([])
})

test.each([1, 2, 3, 4])('a file of version %d is taken by the page, and gives about what it gave', async version => {
  await fresh('/')
  const read = (name: string) => JSON.parse(readFileSync(`tests/reference/version-${version}/${name}.json`, 'utf8'))
  const old = { ...read('hollow-ash'), id: `kept-${version}`, name: `Kept of version ${version}` }
  await dropFile('old.json', JSON.stringify(old))
  await driver.wait(async () => (await (await find(driver, 'design-menu')).getText()) === old.name, WAIT_MS)
  expect(Math.abs((await coldest(driver)) - read('figures')['hollow-ash'].coldestC)).toBeLessThan(0.9)
})

test('in US units: what devices say is in °F, BTU/h and cfm, and is taken as people write it', async () => {
  await fresh('/?step=topUp')
  await chooseUnits('us')
  await click(driver, 'add-stove')
  await settled(driver)
  expect((await lines('source')).at(-1)).toMatch(
    /13\s?649\sBTU\/h for 9\sh, lit when a night is forecast below 32\.0\s°F/,
  )
  await type(driver, 'Heat while it burns', '20000 BTU/h')
  await type(driver, 'Lit when the night is forecast below', '20')
  expect((await lines('source')).at(-1)).toMatch(/20\s?000\sBTU\/h .* below 20\.0\s°F/)
  await type(driver, 'Lit at, o’clock', '20.5')
  expect(await (await field(driver, 'Lit at, o’clock')).getAttribute('value')).toMatch(/^20\.5/)
  await click(driver, 'step-store')
  await click(driver, 'tab-air')
  await click(driver, 'add-earth-store')
  await settled(driver)
  const flow = await field(driver, 'Fan, free flow')
  expect(await flow.getAttribute('value')).toMatch(/^412\scfm/)
  await type(driver, 'Fan, free flow', '500')
  expect(await (await field(driver, 'Fan, free flow')).getAttribute('value')).toMatch(/^500\scfm/)
  await type(driver, 'Fan, free flow', '900 m3/h')
  expect(await (await field(driver, 'Fan, free flow')).getAttribute('value')).toMatch(/^530\scfm/)
  await type(driver, 'Pipe diameter', '4 in')
  await settled(driver)
  expect((await lines('air-store'))[0]).toMatch(/4\sin wide/)
  expect(await consoleErrors(driver)).toEqual([])
})

test('in the south: a stove is lit in its winter, and the year says so', async () => {
  await fresh('/?d=ribera-alta&step=topUp')
  expect((await lines('source'))[0]).toMatch(/Stove/)
  const { kWh, hours } = (await keptYear('ribera-alta')).answers.sources[0]!
  expect(hours).toBeGreaterThan(9)
  expect(plainly(await text('[data-test="source-figures-0"]'))).toContain(
    `Brings ${shownKWh(kWh)} a year in ${Math.round(hours)} hours`,
  )
  const warm = await coldest(driver)
  await turnOn('In use')
  await settled(driver)
  expect((await lines('source'))[0]).toMatch(/not in use/)
  expect(await coldest(driver)).toBeLessThanOrEqual(warm)
  expect(await text('[data-test="score"]')).not.toMatch(/Without added heat/)
})
