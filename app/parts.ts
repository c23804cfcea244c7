/**
 * Parts that are large and not seen at once. They are loaded when they are asked for, and else as soon as the page is
 * at rest: from then on it works without a network.
 */
export const LATER = {
  AimStep: () => import('./components/steps/AimStep.vue'),
  SiteStep: () => import('./components/steps/SiteStep.vue'),
  ShapeStep: () => import('./components/steps/ShapeStep.vue'),
  SkinStep: () => import('./components/steps/SkinStep.vue'),
  StoreStep: () => import('./components/steps/StoreStep.vue'),
  BreatheStep: () => import('./components/steps/BreatheStep.vue'),
  TopUpStep: () => import('./components/steps/TopUpStep.vue'),
  YearStep: () => import('./components/steps/YearStep.vue'),
  SitePlan: () => import('./components/site/SitePlan.vue'),
  FloorPlan: () => import('./components/drawing/FloorPlan.vue'),
  HeatView: () => import('./components/drawing/HeatView.vue'),
  PrintSheet: () => import('./components/bench/PrintSheet.vue'),
  DayChart: () => import('./components/bench/DayChart.vue'),
  GlazingCompare: () => import('./components/skin/GlazingCompare.vue'),
  HeatLosses: () => import('./components/skin/HeatLosses.vue'),
  ModelView: () => import('./components/drawing/ModelView.vue'),
} as const

/** Loads all parts, one after the other. A part that cannot be loaded now is asked for again when it is needed. */
export async function loadLater(): Promise<void> {
  for (const load of Object.values(LATER)) await load().catch(() => {})
}
