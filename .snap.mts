import { writeFileSync } from 'node:fs'
import { click, openBrowser, settled } from './tests/e2e/browser'
const shots = JSON.parse(process.argv[2]!)
for (const s of shots) {
  const driver = await openBrowser({ width: s.w ?? 1280, height: s.h ?? 800 })
  await driver.get(`${process.env.TIERRA_ADDRESS}/icon.svg`)
  await driver.executeScript('localStorage.setItem("tierra-settings", JSON.stringify({ units: arguments[0], theme: arguments[1] }))', s.units ?? 'metric', s.theme ?? 'day')
  await driver.get(process.env.TIERRA_ADDRESS + s.path)
  await settled(driver)
  for (const n of s.clicks ?? []) { await click(driver, n); await driver.sleep(600) }
  if (s.js) { await driver.executeScript(s.js); await driver.sleep(900) }
  await driver.sleep(800)
  writeFileSync(`/tmp/turns/${s.name}.png`, Buffer.from(await driver.takeScreenshot(), 'base64'))
  await driver.quit()
}
