import { By } from 'selenium-webdriver'
import * as hand from './browser'
import { driver, fresh, rows, text } from './session'
import { openStep } from './steps'

/** A household may press, choose or type so often before its question is answered. */
const MOST_PRESSES = 6
let presses = 0
const counted =
  <T extends unknown[]>(act: (...args: T) => Promise<unknown>) =>
  async (...args: T) => {
    presses++
    await act(...args)
  }
const press = counted((name: string) => hand.click(driver, name))
const open = counted((css: string) => driver.findElement(By.css(css)).click())
const type = counted((label: string, words: string) => hand.type(driver, label, words))
const take = counted(async (select: string, id: string) => {
  await (await hand.find(driver, select)).findElement(By.css(`option[value="${id}"]`)).click()
})
/** What stands there once it says what is waited for. */
async function says(css: string, what: RegExp, ms = 120_000): Promise<string> {
  await driver.wait(async () => what.test(await text(css)), ms, `${css} does not say ${what}`)
  return text(css)
}

/** docs/households.md tells of each. */
describe('a question is answered within six presses from the design', () => {
  afterEach(() => expect(presses).toBeLessThanOrEqual(MOST_PRESSES))
  const begin = async (design: string, step: string) => {
    await fresh('/')
    await openStep(step, design)
    presses = 0
  }

  test('lemons against a wall that looks to 235°: do they live, and by how much?', async () => {
    await begin('fjellro', 'site')
    await press('step-shape')
    await type('Sunny side turned to the east (+) or west (−)', '235')
    await hand.settled(driver)
    expect(await text('[data-test="facing"]')).toBe('55° west of south')
    await press('step-aim')
    await take('add-crop', 'lemon')
    await hand.settled(driver)
    await says('[data-test="crop-told-lemon"]', /Lives here all year|Dies here/)
    // The lemon's own bound stands at the leaf in the score.
    expect(await text('[data-test="life-leaf"]')).toMatch(/(kept|missed), by [\d.]+\s?K/)
  })

  test('a dome in US units: how much water, until more of it does nothing?', async () => {
    await begin('saritas', 'site')
    await take('units', 'us')
    await press('step-store')
    await press('start-amount')
    await hand.studied(driver, 'amount')
    await open('[data-test="curve-amount"] summary')
    const table = await rows('[data-test="curve-amount"] tbody tr')
    expect(table.length).toBeGreaterThan(3)
    for (const row of table) expect(row).toMatch(/[−\d.]+\s?°F/)
  })

  test('a market gardener: when can tomatoes go out, and what would a sheet win?', async () => {
    await begin('marschwinkel', 'site')
    await press('step-aim')
    await says(
      '[data-test="crop-told-tomato"]',
      /plant out from \d+ \w+ \(one year in five brings its leaves .+ or less\)/,
    )
    await press('start-movers')
    await says('[data-test="crop-movers"]', /by a week|weeks? (earlier|later|longer|shorter)/)
  })

  test('a school: who is there in term, and what if nobody came in the holidays?', async () => {
    await begin('hollow-ash', 'site')
    await press('step-breathe')
    await press('tab-people')
    await press('school-terms')
    await says('[data-test="presence"]', /Longest without anybody: 5\d days, 11 July to 31 August/)
    await press('start-absences')
    await says('[data-test="absences"]', /somebody every morning/)
    expect(await hand.consoleErrors(driver)).toEqual([])
  })
})
