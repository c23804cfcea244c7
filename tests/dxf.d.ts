/** What tests read of a drawing with the second of the two readers. */
declare module 'dxf' {
  interface Point {
    x: number
    y: number
  }
  interface Entity {
    type: string
    layer: string
    /** Of a dimension: what it stands between, how its line lies, degrees, and the block that draws it. */
    measureStart: Point
    measureEnd: Point
    rotation?: number
    block: string
  }
  export class Helper {
    constructor(text: string)
    parsed: {
      header: { extMin: Point; extMax: Point }
      entities: Entity[]
      blocks: { name: string; entities: Entity[] }[]
      tables: { layers: Record<string, { lineWeightEnum: string }> }
    }
  }
}
