import type { Step } from './step'

export const shape: Step = {
  id: 'shape',
  name: 'Shape',
  panel: () => import('~/components/steps/ShapeStep.vue'),
  summary: ({ design: { shape }, show }) =>
    `${shape.form} ${show(shape.lengthM, 'length')} × ${show(shape.widthM, 'length')}`,
}
