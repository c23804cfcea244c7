import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { click } from './browser'
import { driver, fresh } from './session'
import { eachPart, goToStep, openStep, STEPS } from './steps'

const AXE = readFileSync(createRequire(join(process.cwd(), 'package.json')).resolve('axe-core/axe.min.js'), 'utf8')
/** How the page looks: there are two, and between them both themes, both widths and the units of both readers. */
export interface Look {
  theme: 'day' | 'night'
  width: number
  height: number
  units?: 'metric' | 'us'
}
export const DAY: Look = { theme: 'day', width: 1280, height: 800 }
/** Amounts of which a reader in each has no use. Pressures of a fan test and light by area are the same in both. */
const FOREIGN = {
  metric: /\d\s?(ft|gal|lb|yd³|ft²|ft³|°F|mph|cfm|BTU)(?![\w²³/·])|\b(gallons?|pounds?)\b/,
  us: /\d\s?(mm|cm|m|km|m²|m³|kg|L|°C|K|m\/s|km\/h|m³\/h|W\/m²K|W\/m·K|m²K\/W)(?![\w²³/·])|\blitres?\b/,
}
/** Lines on the screen, what is folded away among them, with an amount that is foreign to the reader. */
async function foreign(units: 'metric' | 'us'): Promise<string[]> {
  const shown = await driver.executeScript<string>(
    'document.querySelectorAll("details").forEach(d => (d.open = true)); return document.body.innerText',
  )
  return shown.split('\n').filter(line => FOREIGN[units].test(line))
}

/** What axe finds at any level within a part of the page, and whether the page is wider than its window. */
export async function amiss(where: string, part = 'html'): Promise<string[]> {
  const found = await scan(where, part)
  if (found.length === 0) return found
  // What is dimmed while it is worked out is looked at again once it is there.
  await driver.sleep(2000)
  return scan(where, part)
}
async function scan(where: string, part: string): Promise<string[]> {
  await driver.executeScript('if (!window.axe) eval(arguments[0])', AXE)
  const found = await driver.executeAsyncScript<{ id: string; nodes: { html: string }[] }[]>(
    'const [part, done] = arguments; ' +
      'axe.run(part, { resultTypes: ["violations"], preload: false }).then(r => done(r.violations))',
    part,
  )
  const wider = await driver.executeScript<number>(
    'return document.documentElement.scrollWidth - document.documentElement.clientWidth',
  )
  return [
    ...found.map(v => `${where}: ${v.id}: ${v.nodes[0]!.html.slice(0, 160)}`),
    ...(wider > 0 ? [`${where}: ${wider} px wider than the window`] : []),
  ]
}
export async function looksLike({ theme, width, height, units = 'metric' }: Look): Promise<void> {
  await driver.executeScript(
    'localStorage.setItem("tierra-settings", JSON.stringify({ units: arguments[1], theme: arguments[0] }))',
    theme,
    units,
  )
  await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: width < 600,
  })
}
/** Every step with all its tabs, and every view, in one look. */
export function stepsHold(look: Look): void {
  const { theme, width, height, units = 'metric' } = look
  describe(`axe finds nothing at any level: ${theme}, ${width} × ${height}, ${units}`, () => {
    beforeAll(async () => {
      await fresh('/')
      await looksLike(look)
      await openStep('aim')
    })
    afterAll(() => looksLike(DAY))

    test.each(STEPS)('in any part of the step %s, nor is an amount foreign to the reader', async id => {
      const found: string[] = []
      await eachPart(id, async (where, i) => {
        found.push(...(await amiss(where, i === 0 ? 'html' : '.controls')), ...(await foreign(units)))
      })
      expect(found).toEqual([])
    })

    test.each(['plan', 'model', 'heat'])('in the view %s', async view => {
      await goToStep('shape')
      await click(driver, `view-${view}`)
      await driver.sleep(700)
      expect(await amiss(view)).toEqual([])
    })
  })
}
