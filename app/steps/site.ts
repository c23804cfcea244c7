import type { Step } from './step'

export const site: Step = {
  id: 'site',
  name: 'Site',
  panel: () => import('~/components/steps/SiteStep.vue'),
  roomy: true,
  view: 'plan',
  summary: ({ design: { site } }) => {
    const climate = site.climate.kind === 'hourly' ? 'hourly file' : 'monthly means'
    return `${Math.abs(site.latitudeDeg).toFixed(1)}° ${site.latitudeDeg >= 0 ? 'N' : 'S'}, ${climate}`
  },
}
