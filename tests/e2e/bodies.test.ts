import { readFileSync } from 'node:fs'
import { By, Key } from 'selenium-webdriver'
import { DEMOS } from '../../core/design'
import { tank } from '../bodies'
import { click, coldest, field as fieldOf, find, number, settled, type, WAIT_MS } from './browser'
import { driver, dropFile, element, fresh, rows, scoreHolds } from './session'

const field = (label: string) => fieldOf(driver, label)

const there = async (css: string) => (await driver.findElements(By.css(css))).length
const bodies = () => there('[data-test="body-list"] > li')

describe('bodies of the store', () => {
  test('a body of each kind is put in, drawn in every view and taken out; undo goes back through all', async () => {
    await fresh('/?d=ribera-alta&step=store')
    const start = await bodies()
    const before = await coldest(driver)
    for (const kind of ['wall', 'crates', 'tank', 'pond']) {
      await click(driver, `add-${kind}`)
      await settled(driver)
      await find(driver, `body-${kind}`)
    }
    expect(await bodies()).toBe(start + 4)
    // The house has a stove and an earth store, so that the night itself hardly moves.
    expect(Math.abs((await coldest(driver)) - before)).toBeLessThan(1)
    expect(await (await find(driver, 'body-figures-1')).getText()).toMatch(/at its coldest.*swings.*of sun a year/)
    for (const view of ['plan', 'model', 'heat']) await click(driver, `view-${view}`)
    await find(driver, 'heat-body-2')
    await click(driver, 'view-section')
    await click(driver, 'take-out-body-3')
    expect(await bodies()).toBe(start + 3)
    for (let i = 0; i < 5; i++) await click(driver, 'undo')
    expect(await bodies()).toBe(start)
    expect(await coldest(driver)).toBe(before)
  })

  test('pressed on the section, on the plan or in the heat view, its card opens; Enter does the same', async () => {
    await fresh('/?d=saritas&step=shape')
    await click(driver, 'thing-body-0')
    await find(driver, 'panel-store')
    expect(await (await find(driver, 'body-0')).getAttribute('aria-pressed')).toBe('true')
    await click(driver, 'add-drums')
    await settled(driver)
    await click(driver, 'step-skin')
    await click(driver, 'view-heat')
    await (await find(driver, 'heat-body-0')).findElement(By.css('rect')).click()
    await find(driver, 'panel-store')
    expect(await (await find(driver, 'body-0')).getAttribute('aria-pressed')).toBe('true')
    await click(driver, 'step-skin')
    await click(driver, 'view-section')
    await (await find(driver, 'thing-body-1')).sendKeys(Key.ENTER)
    await find(driver, 'panel-store')
    expect(await (await find(driver, 'body-1')).getAttribute('aria-pressed')).toBe('true')
  })

  test('what its card can’t take is said where it stands, and loses nothing', async () => {
    await fresh('/?d=saritas&step=store')
    await type(driver, 'Long', '99 m')
    const long = await field('Long')
    expect(await long.getAttribute('value')).toBe('99 m')
    expect(await long.getAttribute('aria-invalid')).toBe('true')
    expect(await element(By.css('[data-test="body-fields"]')).getText()).toMatch(/longer than the dome/)
    await long.sendKeys(Key.ESCAPE)
    // Through the roof at that place: what fits there is taken by a press.
    await type(driver, 'High', '4ft')
    const offers = await element(By.css('[data-test="offers"]'))
    expect(await offers.getText()).toMatch(/Take 1\.1\d\sm/)
    await offers.findElement(By.css('button')).click()
    expect(await (await field('High')).getAttribute('value')).toMatch(/^1\.1\d/)
    expect(await (await field('High')).getAttribute('aria-invalid')).toBe('false')
    await type(driver, 'High', '3ft')
    expect(await (await field('High')).getAttribute('value')).toMatch(/^0\.91/)
    await type(driver, 'From the sunny wall', 'over there')
    expect(await (await field('From the sunny wall')).getAttribute('aria-invalid')).toBe('true')
  })

  test('a file of version 3 is taken, and its barrels stand where they stood', async () => {
    await fresh('/?step=store')
    const old = JSON.parse(readFileSync('tests/reference/version-3/hollow-ash.json', 'utf8'))
    await dropFile('old.json', JSON.stringify({ ...old, id: 'old', name: 'An old one' }))
    // What of its vents does not fit is told beside it.
    await driver.wait(
      async () => /An old one/.test((await rows('[data-test="notice"]')).join('\n')),
      WAIT_MS,
      'it was not taken in',
    )
    await settled(driver)
    // Version 3 gave it 3.4 °C; the physics has gone on since.
    expect(Math.abs((await coldest(driver)) - 3.4)).toBeLessThan(0.9)
    expect(await (await field('From the sunny wall')).getAttribute('value')).toMatch(/^3\.97/)
  })

  test('twenty bodies: the page stays whole, and a drag’s score follows', async () => {
    await fresh('/?step=store')
    const bodies20 = Array.from({ length: 20 }, (_, i) =>
      tank({
        lengthM: 0.4,
        widthM: 0.3,
        heightM: 0.4,
        atM: 1.3 + 0.4 * (i % 2),
        offsetM: (Math.floor(i / 2) - 4.5) * 0.8,
      }),
    )
    const demo = DEMOS[0]!
    const design = { ...demo, id: 'twenty', name: 'Twenty', store: { ...demo.store, bodies: bodies20 } }
    await dropFile('twenty.json', JSON.stringify(design))
    // What is dropped is read first: until then the score is another house's.
    await driver.wait(async () => (await bodies()) === 20, 20000)
    await settled(driver)
    await (await find(driver, 'thing-body-19')).sendKeys(Key.ARROW_UP)
    await settled(driver)
    expect(await there('[data-test="body-tank"]')).toBe(20)
    await scoreHolds('twenty')
    // While it is held the coldest night follows the hand; the year comes when it is let go.
    const moving = async () => (await find(driver, 'coldest')).getAttribute('data-moving')
    const thing = await find(driver, 'thing-body-19')
    await driver.actions({ async: true }).move({ origin: thing }).press().move({ origin: thing, x: 30 }).perform()
    await driver.wait(async () => (await moving()) === 'true', WAIT_MS, 'the figure did not follow the hand')
    const held = number(await (await find(driver, 'coldest')).getText())
    await driver.actions({ async: true }).release().perform()
    await settled(driver)
    expect(await moving()).toBe('false')
    expect(Math.abs((await coldest(driver)) - held)).toBeLessThan(0.11)
  })
})
