/** How tight the skin is, as air changes an hour with 50 Pa across it. */
export interface LeakageClass {
  id: string
  name: string
  ach50: number
  source: string
}

export const LEAKAGE_CLASSES: readonly LeakageClass[] = [
  { id: 'tight', name: 'Built with care, gaps sealed', ach50: 8, source: 'gives about 0.3–0.6 changes an hour in winter wind' },
  { id: 'usual', name: 'As usually built', ach50: 24, source: 'gives about 1–2 changes an hour in winter wind' },
  { id: 'old', name: 'Old or gappy', ach50: 70, source: 'gives 3 or more changes an hour in winter wind' },
]
