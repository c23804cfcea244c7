import {
  Colors,
  DxfLayer,
  DxfWriter,
  LinearDimension,
  LWPolylineFlags,
  point2d,
  point3d,
  TextHorizontalAlignment,
  TextVerticalAlignment,
  Units,
  type DxfBlock,
} from '@tarikjabiri/dxf'
import {
  LAYERS,
  WORDS_MM,
  type At,
  type Dimension,
  type Drawing,
  type DrawingLayer,
  type Path,
  type Words,
} from '../core/drawings/drawing'
import { extentWithWords } from '../core/drawings/place'
import { oneLine } from '../core/text/control'

/** Colours of layers, by the index that CADs share. */
const COLOURS: Record<DrawingLayer, number> = {
  skin: Colors.White,
  glazing: Colors.Cyan,
  openings: Colors.Green,
  joints: 9,
  frame: 42,
  ground: 34,
  foundation: 8,
  inside: Colors.Magenta,
  pipes: Colors.Blue,
  sun: 40,
  dimensions: Colors.Yellow,
  words: Colors.White,
}
const ALIGN = {
  left: TextHorizontalAlignment.Left,
  middle: TextHorizontalAlignment.Center,
  right: TextHorizontalAlignment.Right,
} as const
const DASHED = 'DASHED'
/** Group code of a line's weight, in hundredths of a millimetre. */
const WEIGHT = 370
/** Kinds of dimension, as bits: its block is its own, and its words were placed by hand. */
const OWN_BLOCK = 32
const PLACED = 128

/** A layer with the weight of its lines. */
class WeightedLayer extends DxfLayer {
  constructor(
    name: string,
    colour: number,
    readonly weightMm: number,
  ) {
    super(name, colour, 'Continuous')
  }

  override dxfy(dx: Parameters<DxfLayer['dxfy']>[0]): void {
    const push = dx.push.bind(dx)
    dx.push = (code, value) => push(code, code === WEIGHT ? Math.round(this.weightMm * 100) : value)
    super.dxfy(dx)
    dx.push = push
  }
}

/** A dimension along its own line that says in words what it measures; a block of its own draws it. */
class OwnDimension extends LinearDimension {
  constructor({ from, to, line: [a, b], words }: Dimension, blockName: string) {
    super(point(from), point(to), {
      layerName: LAYERS.dimensions.name,
      blockName,
      definitionPoint: point(b),
      middlePoint: point(words.at),
      text: plainText(words.text),
      ActualMeasurement: Math.hypot(to[0] - from[0], to[1] - from[1]),
      angle: (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI,
      styleName: 'Standard',
    })
    this.dimensionType = OWN_BLOCK + PLACED
  }
}

const point = ([x, y]: At) => point3d(x, y, 0)

/**
 * A drawing as DXF in millimetres at its true size, a layer for each part, its dimensions as dimensions.
 * @param scale that words are sized for: they stand as high on paper at 1 to so many as they do on a sheet
 */
export function writeDrawingDxf({ items }: Drawing, scale: number): string {
  const dxf = new DxfWriter()
  const { document: doc, modelSpace, tables } = dxf
  dxf.setUnits(Units.Millimeters)
  dxf.setVariable('$MEASUREMENT', { 70: 1 })
  const { x0, y0, x1, y1 } = extentWithWords(items, scale)
  dxf.setVariable('$EXTMIN', { 10: x0, 20: y0, 30: 0 })
  dxf.setVariable('$EXTMAX', { 10: x1, 20: y1, 30: 0 })
  tables.addLType(DASHED, '__ __ __', [3 * scale, -1.5 * scale])
  for (const [id, { name, weightMm }] of Object.entries(LAYERS)) {
    const layer = new WeightedLayer(name, COLOURS[id as DrawingLayer], weightMm)
    layer.ownerObjectHandle = tables.layerTable.handle
    tables.layerTable.records.push(layer)
  }
  Object.assign(doc.dimStyleStandard, {
    DIMTXT: WORDS_MM * scale,
    DIMTSZ: scale,
    DIMEXE: 1.5 * scale,
    DIMEXO: 1.5 * scale,
    DIMGAP: scale,
    DIMTAD: 1,
    DIMDEC: 0,
  })
  let count = 0
  for (const item of items)
    if (item.kind === 'dimension') {
      const name = `*D${++count}`
      const block = doc.blocks.addBlock(name, doc.objects, false)
      block.flags = 1
      for (const p of item.strokes) drawPath(block, p)
      drawWords(block, item.words, scale)
      modelSpace.addEntity(new OwnDimension(item, name))
    } else if (item.kind === 'path') drawPath(modelSpace, item)
    else drawWords(modelSpace, item, scale)
  return dxf.stringify()
}

const drawPath = (on: DxfBlock, { layer, points, closed = false, dashed = false }: Path) =>
  on.addLWPolyline(
    points.map(([x, y]) => ({ point: point2d(x, y) })),
    {
      layerName: LAYERS[layer].name,
      flags: closed ? LWPolylineFlags.Closed : LWPolylineFlags.None,
      ...(dashed ? { lineType: DASHED } : {}),
    },
  )

const drawWords = (on: DxfBlock, { layer, at, text, heightMm, align, turnDeg = 0 }: Words, scale: number) =>
  on.addText(point(at), heightMm * scale, plainText(text), {
    layerName: LAYERS[layer].name,
    rotation: turnDeg,
    horizontalAlignment: ALIGN[align],
    verticalAlignment: TextVerticalAlignment.BaseLine,
    ...(align === 'left' ? {} : { secondAlignmentPoint: point(at) }),
  })

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
