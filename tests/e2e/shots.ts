import { writeFileSync } from 'node:fs'
import { By, Key } from 'selenium-webdriver'
import { choose, click, find, openBrowser, settled, studied, type Size } from './browser'

interface Shot {
  name: string
  path: string
  /** What is there before anything is pressed. */
  wait?: string
  /** Pressed one after the other once it has settled. */
  clicks?: string[]
  /** Typed into what a selector finds, with Enter, once all was pressed. */
  typed?: [selector: string, text: string][]
  /** What is there once all that was pressed has come about. */
  until?: string
  /** Studies that are started and awaited. */
  studies?: string[]
  theme?: 'day' | 'night'
  units?: string
  size?: Size
  /** A choice by its label, and what is chosen there; and what is scrolled to. */
  chosen?: [label: string, value: string]
  shown?: string
}

const SHOTS: Shot[] = [
  { name: 'bench-day', path: '/?step=shape' },
  { name: 'bench-night', path: '/?step=skin', theme: 'night' },
  { name: 'bench-phone', path: '/?step=shape', size: { width: 390, height: 844 } },
  { name: 'walk-through', path: '/?step=shape', clicks: ['walk-through'], until: 'walk' },
  {
    name: 'start-yours',
    path: '/?step=shape',
    clicks: ['start-yours', 'against-house', 'has-drums'],
    typed: [
      ['[data-test=start-sheet] [data-test=place-search]', '47.9, 13.2'],
      ['[data-test=known-low]', '6b'],
    ],
    until: 'climates',
  },
  { name: 'crop-calendar', path: '/?d=fjellro&step=aim', until: 'crop-told-tomato' },
  { name: 'year-why', path: '/?step=year' },
  { name: 'year-map', path: '/?d=saritas&step=year', clicks: ['tab-map'] },
  { name: 'ladder', path: '/?step=weighUp', clicks: ['start-ladder'], until: 'start-ladder' },
  { name: 'how-sure', path: '/?step=weighUp', clicks: ['tab-sure', 'start-doubts'], until: 'twenty-winters' },
  { name: 'side-by-side', path: '/?step=weighUp', clicks: ['tab-variants', 'beside-fjellro', 'beside-saritas'] },
  { name: 'model', path: '/?d=saritas&step=shape&day=110&hour=9', clicks: ['view-model'] },
  { name: 'store-us-units', path: '/?step=store', clicks: ['body-0', 'more-room'], units: 'us', studies: ['amount'] },
  { name: 'take-off', path: '/?step=build' },
  { name: 'plan-drawn', path: '/?step=build', clicks: ['tab-drawings'], chosen: ['Drawing', 'plan'], shown: 'drawing' },
  { name: 'season-tonight', path: '/?step=season', until: 'nights' },
  { name: 'season-compare', path: '/?step=season', wait: 'nights', clicks: ['tab-designed', 'find'], until: 'found' },
  {
    name: 'season-phone',
    path: '/?step=season',
    wait: 'nights',
    clicks: ['tab-readings'],
    size: { width: 390, height: 844 },
  },
  {
    name: 'cold-spell',
    path: '/?d=ribera-alta&step=topUp',
    clicks: ['tab-spell', 'more-room', 'start-spell'],
    until: 'start-spell',
  },
]

/** Names of those that are to be taken; none: all. */
const asked = process.argv.slice(2)
for (const shot of SHOTS.filter(s => asked.length === 0 || asked.includes(s.name))) {
  const driver = await openBrowser(shot.size ?? { width: 1280, height: 800 })
  await driver.get(`${process.env.TIERRA_ADDRESS}/icon.svg`)
  await driver.executeScript(
    'localStorage.setItem("tierra-settings", JSON.stringify({ units: arguments[0], theme: arguments[1] }))',
    shot.units ?? 'metric',
    shot.theme ?? 'day',
  )
  await driver.get(process.env.TIERRA_ADDRESS + shot.path)
  await settled(driver)
  if (shot.wait) await find(driver, shot.wait)
  for (const name of shot.clicks ?? []) {
    await click(driver, name)
    await driver.sleep(500)
  }
  for (const [selector, text] of shot.typed ?? []) await driver.findElement(By.css(selector)).sendKeys(text, Key.ENTER)
  if (shot.chosen) await choose(driver, ...shot.chosen)
  if (shot.until) await find(driver, shot.until)
  if (shot.shown)
    await driver.executeScript('arguments[0].scrollIntoView({ block: "start" })', await find(driver, shot.shown))
  for (const kind of shot.studies ?? []) {
    await click(driver, `start-${kind}`)
    await studied(driver, kind)
    await driver.executeScript('document.querySelector(".controls").scrollTop = 0')
  }
  // What is still worked out is waited for.
  await driver.wait(
    async () => (await driver.findElements(By.css('.controls [aria-busy="true"]'))).length === 0,
    60_000,
    `${shot.name} is not ready`,
  )
  await driver.sleep(1200)
  writeFileSync(`docs/screenshots/${shot.name}.png`, Buffer.from(await driver.takeScreenshot(), 'base64'))
  await driver.quit()
}
