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
/** Runs the studies of the part that is open, to their end: which there were. */
async function study(): Promise<string[]> {
  const ran: string[] = []
  for (const id of STUDIES) {
    const [button] = await driver.findElements(By.css(`[data-test="start-${id}"]`))
    if (!button) continue
    await button.click()
    // It begins once what is being typed is taken.
    const running = 'return document.querySelectorAll(".controls [data-running=true]").length > 0'
    await driver.wait(() => driver.executeScript<boolean>(running), STUDY_MS, `${id} did not begin`, 50)
    await driver.wait(async () => !(await driver.executeScript<boolean>(running)), STUDY_MS, `${id} did not end`)
    ran.push(id)
  }
  return ran
}
/** The numbers of a row of figures. */
const numbers = (css: string) =>
  driver.executeScript<number[]>(
    'return [...document.querySelectorAll(arguments[0])].map(e => Number(e.textContent.trim().replace("−", "-")))',
    css,
  )

/** All figures by name, of all parts of all steps of a design. */
async function walk(design: string, each?: (where: string) => Promise<void>): Promise<Told> {
  const told: Told = new Map()
  for (const step of STEPS)
    await eachPart(step, async part => {
      const where = `${design}: ${part}`
      await each?.(where)
      await settled(driver)
      await collect(told, where)
    })
  // The sheet is made when it is printed.
  await driver.executeScript('window.dispatchEvent(new Event("beforeprint"))')
  await appears('[data-test="design-sheet"] [data-figure="coldest"]')
  await collect(told, `${design}: print sheet`)
  await driver.executeScript('window.dispatchEvent(new Event("afterprint"))')
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
    const told = await walk(id)
    expect(twoWays(told)).toEqual([])
    everywhere(told)
    expect(await consoleErrors(driver)).toEqual([])
  })

  test('in US units, and where months are told: the lowest of them, all damp hours of them', async () => {
    await fresh('/')
    await openStep('aim', 'saritas')
    await chooseUnits('us')
    const told = await walk('saritas')
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
    const ran = new Map<string, string>()
    const told = await walk('marschwinkel', async where => {
      for (const id of await study()) ran.set(id, where)
    })
    expect(twoWays(told)).toEqual([])
    // Each was there, and tells of the coldest night beside what stands on every part.
    expect([...ran.keys()].sort()).toEqual([...STUDIES].sort())
    const places = [...told.get('coldest')!.values()].flat()
    const times = (where: string) => places.filter(p => p === where).length
    const everywhereElse = Math.min(...places.map(times))
    expect([...ran].filter(([, where]) => times(where) <= everywhereElse)).toEqual([])
    for (const name of Object.keys(HOUSE_FIGURES).filter(n => n !== 'pathColdest'))
      expect([name, told.get(name)?.size]).toEqual([name, 1])
  })
})
