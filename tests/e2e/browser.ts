import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Builder, By, Key, logging, until, type WebDriver, type WebElement } from 'selenium-webdriver'
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome'

export interface Size {
  width: number
  height: number
}

type DevTools = WebDriver & { sendDevToolsCommand: (name: string, args: object) => Promise<void> }

/** Whether the browser is asked to spare data. Tests ask it to: a page then loads no part that they don't look at. */
export async function spareData(driver: WebDriver, dataSaverEnabled = true): Promise<void> {
  await (driver as DevTools).sendDevToolsCommand('Emulation.setDataSaverOverride', { dataSaverEnabled })
}

/** A headless Chromium with a fresh profile. */
export async function openBrowser(
  size: Size = { width: 1280, height: 800 },
  downloads = tmpdir(),
  more: { profile?: string; arguments?: string[] } = {},
): Promise<WebDriver> {
  const options = new Options()
  options.addArguments(
    '--headless',
    '--no-sandbox',
    '--use-angle=swiftshader',
    '--enable-unsafe-swiftshader',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-features=BackForwardCache',
    '--hide-scrollbars',
    '--force-prefers-reduced-motion',
    `--window-size=${size.width},${size.height}`,
    `--user-data-dir=${more.profile ?? mkdtempSync(join(tmpdir(), 'tierra-profile-'))}`,
    ...(more.arguments ?? []),
  )
  options.setChromeBinaryPath('/usr/bin/chromium')
  options.setUserPreferences({ 'download.default_directory': downloads, 'download.prompt_for_download': false })
  const log = new logging.Preferences()
  log.setLevel(logging.Type.BROWSER, logging.Level.SEVERE)
  options.setLoggingPrefs(log)
  const driver = (await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new ServiceBuilder('/usr/bin/chromedriver'))
    .build()) as DevTools
  await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    ...size,
    deviceScaleFactor: 1,
    mobile: size.width < 600,
  })
  await spareData(driver)
  return driver
}

/** Ends the browser of a profile at once, as a crash or a cut of power to it would. */
export function killProcesses(profile: string): void {
  for (const pid of readdirSync('/proc').filter(n => /^\d+$/.test(n))) {
    try {
      if (readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(`--user-data-dir=${profile}`))
        process.kill(Number(pid), 'SIGKILL')
    } catch {
      /* it has ended by itself */
    }
  }
}

/** What the page is about to have is looked for this often. */
const POLL_MS = 50
/** So long it may take at most, on a machine that is busy with something else. */
export const WAIT_MS = 60_000

/** The element with a `data-test` name, once it is there. */
export async function find(driver: WebDriver, name: string, ms = WAIT_MS): Promise<WebElement> {
  const by = By.css(`[data-test="${name}"]`)
  await driver.wait(async () => (await driver.findElements(by)).length > 0, ms, `nothing is named ${name}`, POLL_MS)
  return driver.findElement(by)
}

/** Waits until the year of the design on the bench has been worked out. */
export async function settled(driver: WebDriver, ms = WAIT_MS): Promise<void> {
  await driver.sleep(60)
  await driver.wait(
    async () =>
      await driver.executeScript<boolean>(
        // The controls of a step come after the score.
        'const s = document.querySelector("[data-test=score]"), c = document.querySelector(".controls"); ' +
          'return s !== null && s.dataset.running === "false" && (c === null || c.childElementCount > 0)',
      ),
    ms,
    'the year was not worked out',
    POLL_MS,
  )
}

/** The first number of a text, with either minus. */
export const number = (text: string) => Number(/[−-]?\d+(\.\d+)?/.exec(text)![0].replace('−', '-'))

/** The score: coldest night as shown. */
export async function coldest(driver: WebDriver): Promise<number> {
  await settled(driver)
  return number(await (await find(driver, 'coldest')).getText())
}

/** A field by its label. */
export async function field(driver: WebDriver, label: string): Promise<WebElement> {
  const xpath = `//label[normalize-space(.)=${JSON.stringify(label)}]`
  await driver.wait(async () => (await driver.findElements(By.xpath(xpath))).length > 0, WAIT_MS, `no field ${label}`)
  const id = await driver.findElement(By.xpath(xpath)).getAttribute('for')
  return driver.findElement(By.id(id!))
}

/** Types into a field and takes it with Enter. */
export async function type(driver: WebDriver, label: string, text: string): Promise<void> {
  const input = await field(driver, label)
  await input.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER)
}

export async function choose(driver: WebDriver, label: string, id: string): Promise<void> {
  const select = await field(driver, label)
  await select.findElement(By.css(`option[value="${id}"]`)).click()
}

/** Presses a button once it may be pressed: a press on one that waits for a year is lost. */
export async function click(driver: WebDriver, name: string): Promise<void> {
  const it = await find(driver, name)
  await driver.wait(until.elementIsEnabled(it), WAIT_MS, `${name} may not be pressed`)
  await it.click()
}

/** Errors that the page wrote to its console. */
export async function consoleErrors(driver: WebDriver): Promise<string[]> {
  return (await driver.manage().logs().get(logging.Type.BROWSER)).map(e => e.message).filter(m => !/favicon/.test(m))
}

/** Waits until a study has been worked out. */
export async function studied(driver: WebDriver, kind: string, ms = 120000): Promise<void> {
  await driver.wait(
    async () => {
      const bar = await find(driver, `study-${kind}`)
      return (await bar.getAttribute('data-running')) === 'false' && Number(await bar.getAttribute('data-done')) > 0
    },
    ms,
    `the study ${kind} did not end`,
  )
}

/** In the page: a design of the store as a newer version of Tierra would have written it. Its id, and what to call. */
export const AS_NEWER = `
  const [id, done] = arguments
  const open = indexedDB.open('tierra')
  open.onsuccess = () => {
    const tx = open.result.transaction('designs', 'readwrite')
    const get = tx.objectStore('designs').get(id)
    get.onsuccess = () => {
      get.result.design.schemaVersion = 99
      get.result.design.tomorrow = 'a field of tomorrow'
      get.result.soundIn = 99
      tx.objectStore('designs').put(get.result)
    }
    tx.oncomplete = () => { open.result.close(); done() }
  }`
