import { AIR, MOISTURE, RIDGE, STAR } from '../../core/network/room'
import { makeStepper } from '../../core/network/own-loop'
import { drySite, smallModel } from './small-house'

const OUTSIDE_C = 0
const HOURS = [1, 3, 8, 24, 72]

/**
 * A room with one light wall and one heavy body, each a single cell behind a conductance that outweighs its films: two
 * heat stores in a line, body – air – outside. What the loop makes of it in short steps, and the exact cooling by the
 * two eigenvalues of its pair of equations.
 */
export function twoNodes(): { hour: number; gotC: number; exactC: number }[] {
  // W/K, with the faces' films far larger: these then are the whole of the way.
  const [wallG, bodyG] = [40, 60]
  const [airJ, bodyJ] = [3e6, 4e7]
  const area = 40000
  const face = { skyView: 0, facingUp: 0, longwaveThrough: 0, emissivity: 0.9, sunW: 0, areaM2: area }
  const model = smallModel({
    chains: [
      { ...face, kind: 'house', capacity: [0, 0], between: [wallG / area] },
      { ...face, kind: 'body', capacity: [bodyJ / area, 0], between: [bodyG / area] },
    ],
    airCapacity: airJ,
    leakAreaM2: 0,
    upper: null,
    heaters: [],
    cover: { share: 0, leak: 0, pane: 1, inside: 1, outside: 0 },
  })
  const stepper = makeStepper({ ...model, houseC: OUTSIDE_C }, drySite(OUTSIDE_C, OUTSIDE_C, 0))
  const [air0, body0] = [20, 30]
  stepper.state[AIR] = stepper.state[STAR] = stepper.state[RIDGE] = air0
  stepper.state[MOISTURE] = 1e-6
  stepper.cells.fill(air0)
  stepper.cells[2] = body0
  // d/dt [air, body] = M [air, body]
  const m = [
    [-(wallG + bodyG) / airJ, bodyG / airJ],
    [bodyG / bodyJ, -bodyG / bodyJ],
  ] as const
  const half = (m[0][0] + m[1][1]) / 2
  const root = Math.sqrt(half ** 2 - (m[0][0] * m[1][1] - m[0][1] * m[1][0]))
  const [fast, slow] = [half - root, half + root]
  // Of each eigenvector (1, (λ − m00) / m01), so much.
  const [fastBody, slowBody] = [fast, slow].map(l => (l - m[0][0]) / m[0][1]) as [number, number]
  const ofSlow = (body0 - fastBody * air0) / (slowBody - fastBody)
  const out: { hour: number; gotC: number; exactC: number }[] = []
  for (let h = 0; h < HOURS.at(-1)!; h++) {
    stepper.prepareHour(h, 10)
    for (let s = 0; s < 360; s++) stepper.step(10)
    stepper.endHour()
    const t = (h + 1) * 3600
    if (HOURS.includes(h + 1))
      out.push({
        hour: h + 1,
        gotC: stepper.state[AIR]!,
        exactC: OUTSIDE_C + ofSlow * Math.exp(slow * t) + (air0 - ofSlow) * Math.exp(fast * t),
      })
  }
  return out
}
