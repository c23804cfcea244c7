import { insideFilm, outsideFilm, radiativeFilm } from '../../core/air/films'
import type { Chain } from '../../core/network/chains'
import { groundConductance } from '../../core/network/chains'

/**
 * Steady heat that a room held at `airC` loses, W, worked out apart from the time loop: surface by surface, each wall's face and the radiant star found
 * by turns until they rest. The same films, another way round.
 */
export function steadyLoss(chains: readonly Chain[], airC: number, outsideC: number): number {
  const face = chains.map(() => (airC + outsideC) / 2)
  let star = airC
  const outG = outsideFilm(0) + radiativeFilm(outsideC, 0.9)
  const film = (c: Chain, i: number) => ({ hc: insideFilm(face[i]! - airC, c.facingUp) * c.areaM2, hr: radiativeFilm((face[i]! + star) / 2, 0.9) * c.areaM2 * (1 - c.longwaveThrough) })
  const toOutside = chains.map((c) => {
    if (c.kind === 'water') return 0
    if (c.kind === 'ground') return groundConductance(c)
    return 1 / (1 / (outG * c.areaM2) + c.between.reduce((s, g) => s + 1 / g, 0))
  })
  const through = chains.map(c => c.areaM2 * c.longwaveThrough * radiativeFilm(outsideC, 0.9))
  for (let turn = 0; turn < 4000; turn++) {
    let top = through.reduce((s, g) => s + g * outsideC, 0)
    let bottom = through.reduce((s, g) => s + g, 0)
    chains.forEach((c, i) => {
      const { hc, hr } = film(c, i)
      face[i] = (hc * airC + hr * star + toOutside[i]! * outsideC) / (hc + hr + toOutside[i]!)
      top += hr * face[i]!
      bottom += hr
    })
    star = top / bottom
  }
  return chains.reduce((s, _, i) => s + toOutside[i]! * (face[i]! - outsideC) + through[i]! * (star - outsideC), 0)
}
