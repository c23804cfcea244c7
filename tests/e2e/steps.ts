import { By, until } from 'selenium-webdriver'
import { settled, WAIT_MS } from './browser'
import { app, driver, rows } from './session'

export const STEPS = ['aim', 'site', 'shape', 'skin', 'store', 'breathe', 'topUp', 'year', 'weighUp', 'build', 'season']

const stepShown = async (id: string) => {
  await settled(driver)
  await driver.wait(until.elementLocated(By.css(`[data-test="panel-${id}"] *`)), WAIT_MS, `${id} stays empty`)
}
export const openStep = async (id: string, design = '') => {
  await driver.get(`${app.address}/?step=${id}${design && `&d=${design}`}`)
  await stepShown(id)
}
/** From one step to another on the page that is open, as a press on the path does. */
export const goToStep = async (id: string) => {
  await driver.executeScript('document.querySelector(`[data-test="step-${arguments[0]}"]`).click()', id)
  await stepShown(id)
}
/** Waits until the tab that was asked for stands on the screen. */
async function tabShown(): Promise<void> {
  const isThere = 'return [...document.querySelectorAll(".controls [role=tabpanel]")].some(p => p.offsetHeight > 30)'
  await driver.executeAsyncScript('const [done] = arguments; requestAnimationFrame(() => requestAnimationFrame(done))')
  await driver.wait(() => driver.executeScript<boolean>(isThere), WAIT_MS, 'the tab stays empty')
}
/** Goes to a step and through all its tabs; a step without tabs is one part. */
export async function eachPart(id: string, visit: (where: string, i: number) => Promise<void>): Promise<void> {
  await goToStep(id)
  const tabs = await rows('.controls [role=tab]')
  await visit(`${id} ${tabs[0] ?? ''}`, 0)
  for (let i = 1; i < tabs.length; i++) {
    await driver.executeScript('document.querySelectorAll(".controls [role=tab]")[arguments[0]].click()', i)
    await tabShown()
    await visit(`${id} ${tabs[i]}`, i)
  }
}
