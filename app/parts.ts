import { STEPS } from './steps/registry'

/**
 * Parts that are large and not seen at once. They are loaded when they are asked for, and else as soon as the page is
 * at rest: from then on it works without a network.
 */
export const LATER = {
  SitePlan: () => import('./components/site/SitePlan.vue'),
  FloorPlan: () => import('./components/drawing/FloorPlan.vue'),
  HeatView: () => import('./components/drawing/HeatView.vue'),
  PrintSheet: () => import('./components/bench/PrintSheet.vue'),
  DayChart: () => import('./components/bench/DayChart.vue'),
  GlazingCompare: () => import('./components/skin/GlazingCompare.vue'),
  HeatLosses: () => import('./components/skin/HeatLosses.vue'),
  WalkThrough: () => import('./components/bench/WalkThrough.vue'),
  WordsSheet: () => import('./components/words/WordsSheet.vue'),
  StartSheet: () => import('./components/start/StartSheet.vue'),
  ModelView: () => import('./components/drawing/ModelView.vue'),
  TrustDialog: () => import('./components/bench/TrustDialog.vue'),
} as const

/**
 * Whether the browser is asked to spare data: then the page loads parts when they are asked for alone. Files that are
 * kept for use without a network are fetched all the same.
 */
export const sparesData = (): boolean =>
  (navigator as Navigator & { connection?: { saveData?: boolean } }).connection?.saveData === true

/** Loads all parts, one after the other. A part that cannot be loaded now is asked for again when it is needed. */
export async function loadLater(): Promise<void> {
  for (const load of [...STEPS.map(s => s.panel), ...Object.values(LATER)]) await load().catch(() => {})
  // For whoever waits until the page works without a network.
  performance.mark('all parts loaded')
}
