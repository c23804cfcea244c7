import { briefOf } from '../../core/study/brief'
import { heldC } from '../../core/study/held'
import { spellAnswer, usualStart, withSpellDays } from '../../core/study/spell'
import { heldVariants } from '../../core/study/variants'
import { yearOf } from '../shared/years'
import { By, Key } from 'selenium-webdriver'
import { choose, click, coldest, consoleErrors, field, find, settled, type, WAIT_MS } from './browser'
import {
  appears,
  chooseUnits,
  driver,
  element,
  fresh,
  keptDesign,
  keptYear,
  plainly,
  rows,
  savedText,
  shown,
  shownKWh,
  text,
} from './session'

describe('store', () => {
  test('a body’s card: the coldest night, less and more of it as a curve that can be stopped and taken', async () => {
    await fresh('/?step=store')
    await click(driver, 'body-0')
    await appears('[data-test="body-night"]')
    expect(await text('[data-test="body-night"]')).toMatch(/gave .* kWh, as much as a heater of .* W all that time/)
    await click(driver, 'start-amount')
    await click(driver, 'cancel-amount')
    await appears('[data-test="start-amount"]')
    await click(driver, 'start-amount')
    await appears('[data-test="curve-amount"] [data-test="study-curve"]')
    await appears('[data-test="start-amount"]')
    const before = await coldest(driver)
    const table = By.css('[data-test="curve-amount"] details summary')
    await element(table).click()
    const amounts = await rows('[data-test="curve-amount"] tbody tr')
    expect(amounts.length).toBeGreaterThan(4)
    // None of it is colder, and can be laid on by the table’s first row; undo brings it back.
    await element(By.css('[data-test="curve-amount"] tbody tr button')).sendKeys(Key.ENTER)
    await driver.wait(async () => (await rows('[data-test="body-list"] > li')).length === 0, WAIT_MS)
    await settled(driver)
    expect(await coldest(driver)).toBeLessThan(before)
    await click(driver, 'undo')
    await settled(driver)
    expect(await coldest(driver)).toBe(before)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('the year without a thing; materials and sums in both unit systems', async () => {
    await fresh('/?step=store')
    await click(driver, 'body-0')
    await click(driver, 'start-without')
    await appears('[data-test="with-without"] tbody tr')
    expect((await rows('[data-test="with-without"] tbody tr')).join('\n')).toMatch(/coldest night/)
    await click(driver, 'tab-materials')
    const material = async () => (await rows('[data-test="materials"] tbody tr')).join('\n')
    expect(await material()).toMatch(/Water in barrels.*\sL[^]*Stone.*m³.*mm.*EUR/)
    await click(driver, 'tab-sums')
    await appears('[data-test="sum-water-least"]')
    expect(await text('[data-test="sum-water-least"]')).toMatch(/thin evidence/)
    await element(By.css('[data-test="sum-water-least"] summary')).sendKeys(Key.ENTER)
    expect(await text('[data-test="sum-water-least"]')).toMatch(/glazing[\s\S]*vessels, rounded up/)
    await chooseUnits('us')
    await appears('[data-test="sum-water-least"]')
    expect(await text('[data-test="sum-water-least"]')).toMatch(/gal/)
    await click(driver, 'tab-materials')
    expect(await material()).toMatch(/Water in barrels.*gal[^]*Stone.*yd³.*\sin\s/)
    await chooseUnits('metric')
  })

  test('an earth store: drawn, its working point, a fan of the list, wrong input, one that fails', async () => {
    await fresh('/?step=store')
    await click(driver, 'tab-air')
    await click(driver, 'add-earth-store')
    await settled(driver)
    expect(await driver.findElements(By.css('[data-test="section-pipes"] circle'))).toHaveLength(10)
    await appears('[data-test="fan-curve"]')
    const before = await text('[data-test="working-point"]')
    expect(before).toMatch(/It drives .* m³\/h against .* Pa/)
    await choose(driver, 'Pipes lie', 'U')
    await settled(driver)
    expect(await driver.findElements(By.css('[data-test="section-pipes"] circle'))).toHaveLength(20)
    expect(await text('[data-test="working-point"]')).not.toBe(before)
    await type(driver, 'Pipes', '-3')
    expect(await text('[data-test="air-store-fields"]')).toMatch(/Out of range: 1 to 200/)
    await (await field(driver, 'Pipes')).sendKeys(Key.ESCAPE)
    await choose(driver, 'Fan', 'booster-100')
    await type(driver, 'Pipes', '1')
    await type(driver, 'Pipe length', '60 m')
    await type(driver, 'Pipe diameter', '50 mm')
    await settled(driver)
    expect(await text('[data-test="store-wrong"]')).toMatch(/hardly gets through/)
    expect(await consoleErrors(driver)).toEqual([])
  })
})

describe('floors', () => {
  test('each floor’s year beside this house’s; one laid, and undone', async () => {
    await fresh('/?step=store')
    await click(driver, 'tab-floor')
    await click(driver, 'start-floors')
    await appears('[data-test="floors"] tbody tr')
    await appears('[data-test="start-floors"]')
    const found = await rows('[data-test="floors"] tbody tr')
    expect(found.join('\n')).toMatch(/A slab on foam[\s\S]*This house/)
    const slab = found.findIndex(f => f.includes('A slab on the ground'))
    await (await driver.findElements(By.css('[data-test="floors"] tbody button')))[slab]!.sendKeys(Key.ENTER)
    await settled(driver)
    expect(await driver.findElements(By.css('[data-test="floor-layer"]'))).not.toHaveLength(0)
    await click(driver, 'undo')
    await settled(driver)
    expect(await consoleErrors(driver)).toEqual([])
  })
})

describe('breathe', () => {
  test('habits by season: row covers’ smaller space, and what misting cools and takes, with and without', async () => {
    await fresh('/?d=marschwinkel&step=breathe')
    await click(driver, 'tab-habits')
    await appears('[data-test="row-spaces"] tbody tr')
    expect((await rows('[data-test="row-spaces"] tbody tr'))[0]).toMatch(/%.*°C.*°C/s)
    const mist = await element(By.css('[data-test="habit-breathe.misting"]'))
    await mist.findElement(By.css('button[role="switch"]')).sendKeys(Key.SPACE)
    await settled(driver)
    await appears('[data-test="misting"]')
    await type(driver, 'It begins at', '18 C')
    await settled(driver)
    const { hours, waterKg } = (await keptYear('marschwinkel')).answers.misting!
    expect(waterKg).toBeGreaterThan(10)
    expect(plainly(await text('[data-test="misting"]'))).toBe(
      `Ran in ${hours} hours of the year and took ${shown(waterKg / 1000, 'volume')} of water.`,
    )
    await type(driver, 'Water in an hour, all nozzles', '-5')
    expect(await (await field(driver, 'Water in an hour, all nozzles')).getAttribute('aria-invalid')).toBe('true')
    await (await field(driver, 'Water in an hour, all nozzles')).sendKeys(Key.ESCAPE)
    await mist.findElement(By.css('[data-test="start-without"]')).click()
    await driver.wait(async () => (await mist.findElements(By.css('tbody tr'))).length > 3, WAIT_MS)
    expect(await mist.getText()).toMatch(/hottest afternoon/)
  })

  test('flows by the hour and by hand, drawn at the openings; vents by the curve', async () => {
    await fresh('/?step=breathe')
    await click(driver, 'tab-flows')
    await appears('[data-test="flows"] tbody tr')
    expect((await rows('[data-test="flows"] tbody tr')).at(-1)).toMatch(/changes an hour/)
    expect(await driver.findElements(By.css('[data-test="section-flows"] text'))).not.toHaveLength(0)
    const still = (await rows('[data-test="flows"] tbody tr')).at(-1)
    await type(driver, 'Wind', '6 m/s')
    expect((await rows('[data-test="flows"] tbody tr')).at(-1)).not.toBe(still)
    await click(driver, 'tab-curve')
    expect(await driver.findElements(By.css('[data-test="section-flows"]'))).toHaveLength(0)
    await click(driver, 'start-vents')
    await appears('[data-test="curve-vents"] [data-test="study-curve"]')
    await appears('[data-test="start-vents"]')
    expect(await text('[data-test="curve-vents"]')).toMatch(/rule’s least/)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('damp: months, faces, what helps, one laid on; the control sheet follows and is saved', async () => {
    await fresh('/?step=breathe')
    await click(driver, 'tab-damp')
    await appears('[data-test="damp-faces"] li')
    await click(driver, 'start-damp')
    await appears('[data-test="damp-helps"] li')
    await appears('[data-test="start-damp"]')
    const helps = await rows('[data-test="damp-helps"] li')
    const airing = helps.findIndex(h => h.includes('Air an hour or two'))
    expect(airing).toBeGreaterThanOrEqual(0)
    await (await driver.findElements(By.css('[data-test="damp-helps"] li button')))[airing]!.sendKeys(Key.ENTER)
    await settled(driver)
    await click(driver, 'tab-controls')
    expect(await text('[data-test="control-sheet"]')).toMatch(/Winter airing/)
    await click(driver, 'save-controls')
    expect(await savedText('control-sheet.csv')).toMatch(/^device,setting,value,unit\n[\s\S]*Winter airing/)
    expect(await consoleErrors(driver)).toEqual([])
  })
})

describe('top-up', () => {
  test('a hard spell: what fails first, what would have saved it, laid on; in the year; wrong input', async () => {
    await fresh('/?step=topUp')
    await click(driver, 'tab-spell')
    await type(driver, 'Last night falls to', 'cold')
    expect(await element(By.css('main')).getText()).toMatch(/cold/)
    await type(driver, 'Last night falls to', '-34 C')
    await click(driver, 'start-spell')
    await appears('[data-test="spell-answer"]')
    const asked = async (label: string) => Number(await (await field(driver, label)).getAttribute('value'))
    const [dullDays, clearDays] = [await asked('Dull days'), await asked('Clear days')]
    const design = await keptDesign()
    const startDay = usualStart(yearOf(design).site.dryBulbC, dullDays + clearDays)
    const spell = { dullDays, clearDays, lowC: -34, startDay }
    const { firstFailure } = spellAnswer(design, yearOf(withSpellDays(design, spell)), spell)
    expect(await text('[data-test="spell-answer"]')).toContain(
      `first on ${firstFailure!.date} at ${firstFailure!.hour} o’clock`,
    )
    await appears('[data-test="start-spell"]')
    const moves = await rows('[data-test="spell-moves"] li')
    expect(moves.length).toBeGreaterThan(3)
    const before = await coldest(driver)
    await click(driver, 'lay-spell')
    await settled(driver)
    expect(await coldest(driver)).toBeLessThan(before)
    await click(driver, 'undo')
    await settled(driver)
    await click(driver, 'lay-heater')
    await settled(driver)
    expect(await text('[data-test="score"]')).toMatch(/Without added heat/)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('heat for each lowest air, fuels by price, wood, light in every unit', async () => {
    await fresh('/?step=topUp')
    await click(driver, 'tab-held')
    await click(driver, 'start-held')
    await appears('[data-test="curve-held"] [data-test="study-curve"]')
    await appears('[data-test="start-held"]')
    const design = await keptDesign()
    const off = (at: number) => Math.abs(at - heldC(design))
    const { at, design: held } = heldVariants(design).sort((a, b) => off(a.at) - off(b.at))[0]!
    const { heatKWh, heatNights, peakW } = briefOf(held, yearOf(held).answers)
    expect(heatNights).toBeGreaterThan(10)
    expect(plainly(await text('[data-test="heat-needed"]'))).toBe(
      `Held at ${shown(at, 'temperature')}, the year asks for ${shownKWh(heatKWh)} on ${heatNights} nights, ` +
        `${shown(peakW, 'power')} at the most.`,
    )
    await click(driver, 'tab-fuels')
    await appears('[data-test="fuels"] tbody tr')
    const cheapest = (await rows('[data-test="fuels"] tbody tr'))[0]
    await type(driver, 'Price of a kWh of pellets', '0.01')
    expect((await rows('[data-test="fuels"] tbody tr'))[0]).not.toBe(cheapest)
    expect((await rows('[data-test="fuels"] tbody tr'))[0]).toMatch(/Pellets/)
    await type(driver, 'Price of a kWh of pellets', '-1')
    expect(await text('[data-test="fuels"]')).toMatch(/Out of range/)
    expect(await text('[data-test="wood"]')).toMatch(/hectares grow as much each year/)
    await click(driver, 'tab-light')
    const amount = await find(driver, 'light-amount')
    await amount.sendKeys(Key.chord(Key.CONTROL, 'a'), '400', Key.TAB)
    expect(await text('[data-test="light-units"]')).toMatch(/400 µmol.* foot-candles/)
    await amount.sendKeys(Key.chord(Key.CONTROL, 'a'), 'much', Key.TAB)
    expect(await element(By.css('main')).getText()).toMatch(/no daylight/)
    expect(await consoleErrors(driver)).toEqual([])
  })
})
