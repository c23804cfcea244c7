import { insideFilm, outsideFilm, radiativeFilm } from '../../core/air/films'
import { NEAR_ROWS } from '../../core/ground/slice'
import type { Fabric } from '../../core/network/chains'

/**
 * Steady heat that a room held at `airC` loses, W, worked out apart from the time loop: surface by surface, each face
 * and the radiant star found by turns until they rest. The same films, another way round; the ground by relaxing its
 * slice.
 */
export function steadyLoss({ chains, slice }: Fabric, airC: number, outsideC: number): number {
  const face = chains.map(() => (airC + outsideC) / 2)
  let star = airC
  const outG = outsideFilm(0) + radiativeFilm(outsideC, 0.9)
  const film = (i: number) => {
    const c = chains[i]!
    return {
      hc: insideFilm(face[i]! - airC, c.facingUp) * c.areaM2,
      hr: radiativeFilm((face[i]! + star) / 2, 0.9) * c.areaM2 * (1 - c.longwaveThrough),
    }
  }
  const toOutside = chains.map(c =>
    c.kind === 'wall' || c.kind === 'glazing'
      ? 1 / (1 / (outG * c.areaM2) + c.between.reduce((s, g) => s + 1 / g, 0))
      : 0,
  )
  const ground = chains.map((c, i) => (c.kind === 'ground' ? i : -1)).filter(i => i >= 0)
  const through = chains.map(c => c.areaM2 * c.longwaveThrough * radiativeFilm(outsideC, 0.9))
  let groundLoss = 0
  for (let turn = 0; turn < 3000; turn++) {
    if (turn % 300 === 0) {
      // The floor as one room of the air's and the star's films; its columns' own faces follow from their share.
      const own = (i: number) => chains[i]!.between.slice(NEAR_ROWS - 1).reduce((s, g) => s + 1 / g, 0)
      const cover = ground.map(i => {
        const { hc, hr } = film(i)
        return 1 / (own(i) + 1 / (hc + hr))
      })
      const room = ground.map(i => {
        const { hc, hr } = film(i)
        return (hc * airC + hr * star) / (hc + hr)
      })
      const mean = room.reduce((s, t, k) => s + t * cover[k]!, 0) / cover.reduce((s, g) => s + g, 0)
      const wk = slice.steady(cover, 0)
      groundLoss = wk * (mean - (outsideC + 1))
      // Each face by the flow of its share of the floor.
      const area = ground.reduce((s, i) => s + chains[i]!.areaM2, 0)
      ground.forEach((i, k) => {
        const { hc, hr } = film(i)
        face[i] = room[k]! - (groundLoss * chains[i]!.areaM2) / area / (hc + hr)
      })
    }
    let top = through.reduce((s, g) => s + g * outsideC, 0)
    let bottom = through.reduce((s, g) => s + g, 0)
    chains.forEach((c, i) => {
      const { hc, hr } = film(i)
      if (c.kind !== 'ground') face[i] = (hc * airC + hr * star + toOutside[i]! * outsideC) / (hc + hr + toOutside[i]!)
      top += hr * face[i]!
      bottom += hr
    })
    star = top / bottom
  }
  return (
    groundLoss +
    chains.reduce((s, _, i) => s + toOutside[i]! * (face[i]! - outsideC) + through[i]! * (star - outsideC), 0)
  )
}
