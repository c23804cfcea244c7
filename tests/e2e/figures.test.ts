import { By } from 'selenium-webdriver'
import { DEMOS } from '../../core/design'
import { HOUSE_FIGURES } from '../../core/study/house-figures'
import { click, consoleErrors, settled } from './browser'
import { appears, chooseUnits, driver, fresh } from './session'
import { eachPart, openStep, STEPS } from './steps'

/** Studies with a row of the house as it stands, by the button that starts each. */
const STUDIES = ['forms', 'glazings', 'floors', 'damp', 'absences', 'without']
/** Some twenty years, on a machine that does other things too, ms. */
const STUDY_MS = 180_000

/** Texts by the name of the figure, and where each was read. */
type Told = Map<string, Map<string, string[]>>

async function collect(told: Told, where: string): Promise<void> {
  const all = await driver.executeScript<[string, string][]>(
    'return [...document.querySelectorAll("[data-figure]")]' +
      '.map(e => [e.dataset.figure, e.textContent.replace(/\\s+/g, " ").trim()])',
  )
  for (const [name, words] of all) {
    const texts = told.get(name) ?? new Map<string, string[]>()
    texts.set(words, [...(texts.get(words) ?? []), where])
    told.set(name, texts)
  }
}
/** Runs the studies of the part that is open, to their end. */
async function study(): Promise<void> {
  for (const id of STUDIES)
    for (const button of await driver.findElements(By.css(`[data-test="start-${id}"]`))) {
      await button.click()
      const ended = 'return document.querySelectorAll("[data-running=true]").length === 0'
      await driver.wait(() => driver.executeScript<boolean>(ended), STUDY_MS, `${id} did not end`)
      break
    }
}
/** The numbers of a row of figures. */
const numbers = (css: string) =>
  driver.executeScript<number[]>(
    'return [...document.querySelectorAll(arguments[0])].map(e => Number(e.textContent.trim().replace("−", "-")))',
    css,
  )

/** All figures by name, of all parts of all steps of a design. */
async function walk(design: string, studies: boolean): Promise<Told> {
  const told: Told = new Map()
  for (const step of STEPS)
    await eachPart(step, async where => {
      if (studies) await study()
      await settled(driver)
      await collect(told, `${design}: ${where}`)
    })
  return told
}
/** Names that are told in more than one way, with where. */
const twoWays = (told: Told) =>
  [...told].filter(([, texts]) => texts.size > 1).map(([name, texts]) => ({ name, texts: Object.fromEntries(texts) }))

/** Figures that stand on more than one screen of every house. */
function everywhere(told: Told): void {
  for (const name of ['coldest', 'hottest', 'leaf', 'cost', 'damp', 'growing', 'headroom', 'winterLight', 'soil'])
    expect([name, told.get(name)?.size]).toEqual([name, 1])
}
/** The others are walked in US units, and with every study run. */
const PLAIN = DEMOS.map(d => d.id).filter(id => id !== 'saritas' && id !== 'marschwinkel')

describe('one name, one figure', () => {
  test.each(PLAIN)('on all screens of %s', async id => {
    await fresh('/')
    await openStep('aim', id)
    const told = await walk(id, false)
    expect(twoWays(told)).toEqual([])
    everywhere(told)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('in US units, and where months are told: the lowest of them, all damp hours of them', async () => {
    await fresh('/')
    await openStep('aim', 'saritas')
    await chooseUnits('us')
    const told = await walk('saritas', false)
    expect(twoWays(told)).toEqual([])
    everywhere(told)
    const figure = (name: string) => Number([...told.get(name)!.keys()][0]!.replace('−', '-').replace(/[^\d.-]/g, ''))
    await openStep('year', 'saritas')
    await click(driver, 'tab-months')
    await appears('[data-test="months"] tbody')
    const lows = await numbers('[data-test="months"] tbody tr:first-child td')
    expect(lows).toHaveLength(12)
    expect(Math.min(...lows)).toBe(figure('coldest'))
    await openStep('breathe', 'saritas')
    await click(driver, 'tab-damp')
    await appears('[data-test="damp-months"]')
    const damp = await numbers('[data-test="damp-months"] > span > span:first-child')
    expect(damp).toHaveLength(12)
    expect(damp.reduce((sum, h) => sum + h, 0)).toBe(figure('damp'))
  })

  test('with every study run: its row of this house is the score', async () => {
    await fresh('/')
    await openStep('aim', 'marschwinkel')
    const told = await walk('marschwinkel', true)
    expect(twoWays(told)).toEqual([])
    const places = (name: string) => new Set([...(told.get(name)?.values() ?? [])].flat()).size
    // The score stands on every part; what else tells of a figure is there beside it.
    const most = [...(told.get('coldest')?.values() ?? [])].flat().length
    expect(most).toBeGreaterThan(places('coldest') + STUDIES.length)
    for (const name of Object.keys(HOUSE_FIGURES).filter(n => !['pathColdest'].includes(n)))
      expect([name, told.get(name)?.size]).toEqual([name, 1])
  })
})
