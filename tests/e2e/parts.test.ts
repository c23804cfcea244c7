import { By, Key } from 'selenium-webdriver'
import { DEMOS } from '../../core/design'
import { choose, click, coldest, consoleErrors, field as fieldOf, find, settled, type, WAIT_MS } from './browser'
import {
  appears,
  dimension,
  drag,
  driver,
  dropFile,
  fresh,
  keepState,
  metres,
  notice,
  rows,
  scoreHolds,
  text,
} from './session'

const field = (label: string) => fieldOf(driver, label)
/** Presses what a drawing shows, once it is there. */
async function pressed(css: string): Promise<void> {
  await appears(css)
  await driver.executeScript(
    'document.querySelector(arguments[0]).dispatchEvent(new MouseEvent("click", { bubbles: true }))',
    css,
  )
}
const name = async () => (await find(driver, 'part-card')).findElement(By.css('legend')).getText()
const openings = async () => (await driver.findElements(By.css('[data-test="opening-list"] > li'))).length

describe('the house in parts', () => {
  test('upright front, solid upper stretch, a window in the back wall, from a new house, with the mouse', async () => {
    await fresh('/')
    await click(driver, 'design-menu')
    await click(driver, 'menu-new')
    await driver.wait(async () => (await (await find(driver, 'design-menu')).getText()) === 'New greenhouse', WAIT_MS)
    await settled(driver)
    const plain = await coldest(driver)
    // The slope is pressed on the section; its card opens, whatever the step.
    await click(driver, 'step-shape')
    await find(driver, 'section')
    await pressed('[data-test="part-sunnySlope"]')
    expect(await name()).toBe('Sunny slope')
    await click(driver, 'add-front')
    await settled(driver)
    expect(await coldest(driver)).toBeLessThan(plain)
    expect(await metres('front')).toBeGreaterThan(await metres('knee'))
    expect(Number.parseFloat(await dimension('angle'))).toBeLessThan(36)
    await click(driver, 'add-solid-top')
    expect(await (await field('Solid upper stretch')).getAttribute('value')).toMatch(/^0\.80/)
    await settled(driver)
    expect(await text('[data-test="part-figures"]')).toMatch(/Top of the sunny slope: .*lost on the coldest night/)
    // A glazing of its own for the front.
    await pressed('[data-test="part-front"]')
    expect(await name()).toBe('Front')
    await choose(driver, 'Glazing', 'glass-4')
    expect(await text('[data-test="parts"]')).toMatch(/Front\s*Quadruple glass/)
    // A window in the back wall: pressed, and put in.
    await pressed('[data-test="part-backWall"]')
    await click(driver, 'let-window')
    await find(driver, 'panel-breathe')
    await settled(driver)
    expect(await text('[data-test="opening-list"]')).toMatch(/Window\s*back wall: 1\.20/)
    expect(await text('[data-test="opening-list"]')).toMatch(/lets in .* of sun/)
    await find(driver, 'section-opening-3')
    for (let i = 0; i < 4; i++) await click(driver, 'undo')
    expect(await coldest(driver)).toBe(plain)
    expect(await openings()).toBe(3)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('the same with keys alone, from a new house on', async () => {
    await fresh('/')
    /** Goes on with Tab until a control is reached. */
    const reach = async (test: string) => {
      for (let i = 0; i < 160; i++) {
        await driver.actions().sendKeys(Key.TAB).perform()
        const at = await driver.executeScript<string | null>('return document.activeElement.dataset.test ?? null')
        if (at === test) return
      }
      throw new Error(`no way to ${test} with Tab`)
    }
    const press = async (test: string) => {
      await reach(test)
      await driver.actions().sendKeys(Key.ENTER).perform()
    }
    await press('design-menu')
    await find(driver, 'menu-new')
    // The list of designs comes first; the new one is found by its letters.
    await driver.actions().sendKeys('a plain').sendKeys(Key.ENTER).perform()
    await driver.wait(async () => (await (await find(driver, 'design-menu')).getText()) === 'New greenhouse', WAIT_MS)
    await settled(driver)
    await find(driver, 'panel-site')
    await driver.actions().sendKeys('4').perform()
    await find(driver, 'panel-skin')
    await reach('tab-heat')
    await driver.actions().sendKeys(Key.ARROW_RIGHT).perform()
    await find(driver, 'part-card')
    await press('choose-sunnySlope')
    await press('add-front')
    await settled(driver)
    expect(await metres('front')).toBeGreaterThan(await metres('knee'))
    await press('add-solid-top')
    await settled(driver)
    expect(await text('[data-test="part-figures"]')).toMatch(/Top of the sunny slope: .*lost on the coldest night/)
    await press('choose-backWall')
    await press('let-window')
    await find(driver, 'panel-breathe')
    await settled(driver)
    expect(await openings()).toBe(4)
  })

  test('corners of one’s own: the form is freed, a part is broken, a corner dragged; a dent is refused', async () => {
    await fresh('/?step=shape')
    const score = await coldest(driver)
    await click(driver, 'tab-form')
    await click(driver, 'form-own')
    expect(await coldest(driver)).toBe(score)
    await pressed('[data-test="part-poleSlope"]')
    await click(driver, 'add-corner')
    await settled(driver)
    expect(await text('[data-test="parts"]')).toMatch(/Lower pole slope/)
    await drag('corner-3', 10, -40)
    await click(driver, 'step-shape')
    await click(driver, 'tab-dimensions')
    const height = await field('Foot of the pole slope, from the sunny wall')
    expect(await height.getAttribute('value')).toMatch(/m$/)
    await type(driver, 'Foot of the pole slope, from the sunny wall', '1 m')
    expect(await text('[data-test="corners"]')).toMatch(/dents the section/)
    await height.sendKeys(Key.ESCAPE)
    await pressed('[data-test="part-poleSlope"]')
    await click(driver, 'drop-corner')
    await settled(driver)
    // The pole slope is gone, and the lower one reaches up to the ridge.
    expect(await driver.findElements(By.css('[data-test="choose-poleSlope"]'))).toHaveLength(0)
    await find(driver, 'choose-lowerPoleSlope')
  })

  test('each opens its card on the heat view and the plan; every kind of opening is put in and taken out', async () => {
    await fresh('/?d=ribera-alta&step=breathe')
    const start = await openings()
    for (const kind of ['vent', 'ridge-vent', 'louvre', 'door', 'roll-up-side']) {
      await click(driver, `add-${kind}`)
      await settled(driver)
    }
    expect(await openings()).toBe(start + 5)
    await choose(driver, 'Opens', 'season')
    // The warm half of a southern year begins in November.
    expect(await (await field('Open from the start of month')).getAttribute('value')).toBe('11')
    for (const view of ['plan', 'model']) await click(driver, `view-${view}`)
    await click(driver, 'view-plan')
    await (await find(driver, 'plan-opening-2')).sendKeys(Key.ENTER)
    expect(await (await find(driver, 'opening-2')).getAttribute('aria-pressed')).toBe('true')
    await click(driver, 'view-heat')
    await find(driver, 'heat-backWall')
    await pressed('[data-test="heat-backWall"]')
    expect(await name()).toBe('Back wall')
    await click(driver, 'step-breathe')
    await click(driver, `take-out-opening-${start + 4}`)
    expect(await openings()).toBe(start + 4)
    await scoreHolds('ribera-alta')
  })

  test('what a card can’t take is said, and loses nothing', async () => {
    await fresh('/?step=skin')
    await pressed('[data-test="part-sunnySlope"]')
    await type(driver, 'Solid upper stretch', '11 m')
    const top = await field('Solid upper stretch')
    expect(await top.getAttribute('value')).toBe('11 m')
    expect(await top.getAttribute('aria-invalid')).toBe('true')
    await top.sendKeys(Key.ESCAPE)
    await pressed('[data-test="part-backWall"]')
    await click(driver, 'let-window')
    await type(driver, 'Height of each', '9ft')
    expect(await (await field('Height of each')).getAttribute('aria-invalid')).toBe('true')
    expect(await text('[data-test="opening-fields"]')).toMatch(/reaches past the top of its part/)
    await (await field('Height of each')).sendKeys(Key.ESCAPE)
    await type(driver, 'Width of each', 'wide')
    expect(await (await field('Width of each')).getAttribute('aria-invalid')).toBe('true')
    // A wall that is all window takes no other: told where it was asked.
    await type(driver, 'Width of each', '8.9')
    await type(driver, 'Height of each', '1.4')
    await type(driver, 'Sill above the foot of the part', '0.4')
    await type(driver, 'Height of each', '1.8')
    await settled(driver)
    await click(driver, 'step-skin')
    await click(driver, 'tab-parts')
    await click(driver, 'choose-backWall')
    await click(driver, 'let-window')
    expect(await notice()).toMatch(/no room for it on this part/)
  })

  test('a design of an earlier version says how much of its vents fits, until that is seen', async () => {
    await fresh('/?step=breathe')
    const [demo] = DEMOS
    const wide = { kind: 'vent', part: 'kneeWall', areaM2: 9, atM: 0.4, tallM: 0.3, how: 'wax' }
    const old = { ...demo!, id: 'old', name: 'Old house', schemaVersion: 4, skin: { ...demo!.skin, openings: [wide] } }
    await dropFile('old.json', JSON.stringify(old))
    await driver.wait(
      async () => /as many as fit/.test(await rows('[data-test="notice"]').then(r => r.join())),
      WAIT_MS,
    )
    await settled(driver)
    expect(await text('[data-test="made-to-fit"]')).toMatch(/Vent: 9\.0.m² free was entered, .*m² fits its part/)
    await click(driver, 'made-to-fit-seen')
    await driver.wait(async () => (await rows('[data-test="made-to-fit"]')).length === 0, WAIT_MS)
    await keepState('kept')
    await driver.navigate().refresh()
    await settled(driver)
    expect(await rows('[data-test="made-to-fit"]')).toEqual([])
  })
})
