import DxfDrawing from 'dxf-writer'
import { oneLine } from '../core/text/control'
import { LAYERS, type Drawing, type DrawingLayer } from '../core/drawings/drawing'

/** Colours of layers, by the index that CADs share: white, cyan, green, brown-red, and so on. */
const COLOURS: Record<DrawingLayer, number> = {
  skin: 7,
  glazing: 4,
  openings: 3,
  ground: 34,
  foundation: 8,
  inside: 6,
  pipes: 5,
  dimensions: 2,
  words: 7,
}
const ALIGN = { left: 'left', middle: 'center', right: 'right' } as const

/**
 * A drawing as DXF in millimetres at its true size, a layer for each part.
 * @param scale that words are sized for: they stand as high on paper at 1 to so many as they do on a sheet
 */
export function writeDrawingDxf({ items }: Drawing, scale: number): string {
  const dxf = new DxfDrawing()
  dxf.setUnits('Millimeters')
  for (const [id, { name }] of Object.entries(LAYERS)) dxf.addLayer(name, COLOURS[id as DrawingLayer], 'CONTINUOUS')
  for (const item of items) {
    dxf.setActiveLayer(LAYERS[item.layer].name)
    if (item.kind === 'path')
      dxf.drawPolyline(
        item.points.map(([x, y]): [number, number] => [x, y]),
        item.closed ?? false,
      )
    else {
      const [x, y] = item.at
      dxf.drawText(x, y, item.heightMm * scale, item.turnDeg ?? 0, plainText(item.text), ALIGN[item.align], 'baseline')
    }
  }
  return dxf.toDxfString()
}

/** Signs beyond Latin letters are written as CADs read them. */
const plainText = (text: string) =>
  [
    ...oneLine(text)
      .replaceAll(/[\u00a0\u202f]/g, ' ')
      .replaceAll('−', '-'),
  ]
    .map(c =>
      c === '°'
        ? '%%d'
        : c.codePointAt(0)! > 126
          ? `\\U+${c.codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')}`
          : c,
    )
    .join('')
