import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By, until, type WebDriver } from 'selenium-webdriver'
import { DEMOS, type Design } from '../../core/design'
import { inMetric, type Quantity } from '../../core/units'
import { yearOf } from '../shared/years'
import { coldest, find, number, openBrowser, settled, spareData, WAIT_MS } from './browser'

/** Chromium's own commands, which the driver passes on. */
interface DevTools {
  sendDevToolsCommand: (name: string, args: object) => Promise<void>
  sendAndGetDevToolsCommand: (name: string, args: object) => Promise<{ identifier: string }>
}

/** Where the browser puts what it downloads. */
export const downloads = mkdtempSync(join(tmpdir(), 'tierra-downloads-'))
/** The built app, started by the script that runs these tests. */
export const app = { address: process.env.TIERRA_ADDRESS ?? '' }
/** The browser of the test file that imports this. */
export let driver: WebDriver & DevTools

beforeAll(async () => {
  if (app.address === '')
    throw new Error('Run these tests with `npm run e2e` or `npm test`: they need the app to be served.')
  driver = (await openBrowser({ width: 1280, height: 800 }, downloads)) as WebDriver & DevTools
})
afterAll(async () => {
  await driver?.quit()
})

/** Back to the demo as it was, in an empty store. */
export async function fresh(path = '/'): Promise<void> {
  await driver.get(`${app.address}/icon.svg`)
  await driver.executeAsyncScript(
    'const done = arguments[0]; localStorage.clear(); const r = indexedDB.deleteDatabase("tierra"); ' +
      'r.onsuccess = r.onerror = () => done()',
  )
  await driver.get(app.address + path)
  await settled(driver)
}

/** The same, once the page works without a network: all its parts are loaded, its files kept by the service worker. */
export async function freshWithAll(path: string): Promise<void> {
  await spareData(driver, false)
  await fresh(path)
  const isReady =
    'return performance.getEntriesByName("all parts loaded").length > 0 && navigator.serviceWorker.controller !== null'
  await driver.wait(() => driver.executeScript<boolean>(isReady), WAIT_MS, 'it does not work without a network')
  await spareData(driver)
}

/** Drags a handle of the section by pixels, as far as the window goes. */
export const drag = (name: string, dx: number, dy: number, wait = true) => dragThing(`handle-${name}`, dx, dy, wait)

/** Drags anything by pixels, as far as the window goes, and waits for the year unless told not to. */
export async function dragThing(name: string, dx: number, dy: number, wait = true): Promise<void> {
  // Places of the window, not of the handle: that one moves along.
  const box = await (await find(driver, name)).getRect()
  const x = Math.round(box.x + box.width / 2)
  const y = Math.round(box.y + box.height / 2)
  const within = (v: number, most: number) => Math.min(most - 2, Math.max(2, v))
  const [toX, toY] = [within(x + dx, 1280), within(y + dy, 800)]
  await driver
    .actions({ async: true })
    .move({ x, y })
    .press()
    .move({ x: Math.round((x + toX) / 2), y: Math.round((y + toY) / 2) })
    .move({ x: toX, y: toY })
    .release()
    .perform()
  if (wait) await settled(driver)
}
export const dimension = async (name: string) => (await find(driver, `dim-${name}`)).getText()
export const metres = async (name: string) => Number.parseFloat(await dimension(name))
/** Texts of all that a selector finds. */
export const rows = async (css: string): Promise<string[]> =>
  driver.executeScript('return [...document.querySelectorAll(arguments[0])].map(e => e.innerText)', css)
/** The first that fits, once it is there. */
export const element = (by: By, within = WAIT_MS) =>
  driver.wait(until.elementLocated(by), within, `nothing came: ${by}`)
export const appears = (css: string, within?: number) => element(By.css(css), within)
/** What an element says, once it is there. */
export const text = async (css: string): Promise<string> => (await appears(css)).getText()
export async function notice(): Promise<string> {
  return (await find(driver, 'notice')).getText()
}

/** What the browser saved under a name, once it is there whole: its place is taken, empty, before it is written. */
export async function savedFile(name: string | RegExp): Promise<Buffer> {
  let content = Buffer.alloc(0)
  const isWhole = () => {
    const there = readdirSync(downloads)
    const its = there.find(f => (typeof name === 'string' ? f === name : name.test(f)))
    if (its === undefined || there.some(f => f.endsWith('.crdownload'))) return false
    content = readFileSync(join(downloads, its))
    return content.length > 0
  }
  await driver.wait(isWhole, WAIT_MS, `${name} was not saved`)
  return content
}
export const savedText = async (name: string | RegExp) => (await savedFile(name)).toString('utf8')

/** Waits until the page says how the design is kept. */
export async function keepState(state: string, on: WebDriver = driver): Promise<void> {
  await on.wait(async () => (await (await find(on, 'keep-state')).getText()) === state, WAIT_MS, `not ${state}`)
}

/** Switches all units at once. */
export async function chooseUnits(units: string): Promise<void> {
  await (await find(driver, 'units')).findElement(By.css(`option[value="${units}"]`)).click()
}

/** Drops a file on the page, or on a part of it, as a person would. */
export async function dropFile(name: string, content: string, onto = 'main'): Promise<void> {
  await driver.executeScript(
    `const transfer = new DataTransfer(); transfer.items.add(new File([arguments[1]], arguments[0]));
    const drop = new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true });
    document.querySelector(arguments[2]).dispatchEvent(drop)`,
    name,
    content,
    onto,
  )
  await driver.sleep(300)
}

/** A design as the browser keeps it once all is kept; as it came where nobody has changed it. */
export async function keptDesign(id = DEMOS[0]!.id): Promise<Design> {
  await settled(driver)
  await keepState('kept')
  const kept = await driver.executeAsyncScript<Design | null>(
    `const [id, done] = arguments
    const open = indexedDB.open('tierra')
    open.onsuccess = () => {
      const get = open.result.transaction('designs').objectStore('designs').get(id)
      get.onsuccess = () => { open.result.close(); done(get.result?.design ?? null) }
    }`,
    id,
  )
  return kept ?? DEMOS.find(d => d.id === id)!
}

/** The year of it, as the core works it out here. */
export const keptYear = async (id?: string) => yearOf(await keptDesign(id))

/** Amounts as the page writes them, with plain spaces. */
export const plainly = (text: string) => text.replaceAll(/[\u00a0\u202f]/g, ' ')
export const shown = (value: number, quantity: Quantity) => plainly(inMetric(value, quantity))
export const shownKWh = (kWh: number) => shown(kWh * 3.6e6, 'energy')

/** The score on the page is the one that the core works out here for the design as it is kept. */
export async function scoreHolds(id?: string): Promise<void> {
  const { answers } = await keptYear(id)
  expect(await coldest(driver)).toBe(number(inMetric(answers.coldestNight.insideC, 'temperature')))
}
