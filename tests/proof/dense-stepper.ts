import { FOUR_SIGMA, filmFactor, LEAST_FILM, outsideFilm, radiativeFilm } from '../../core/air/films'
import { airExchange } from '../../core/network/airs'
import { leakageFlow } from '../../core/air/leakage'
import { AIR_SPECIFIC_HEAT, FILM_INSIDE, GAS_CONSTANT_AIR, ZERO_C_K } from '../../core/physics/constants'
import type { SmallChain, SmallHouse } from './small-house'

/** Emissivity of outer faces, a house's film, and what joins an open cover's room face to its pane, m²K/W and W/m²K. */
const EMISSIVITY = 0.9
const HOUSE_FILM = 0.13
const OPEN_COVER = 2000
/** Films are taken anew after this long, s. */
const FILMS_HOLD = 1800

/** Solves a full set of equations, with the largest pivot of each column. */
export function solveDense(matrix: number[][], right: number[]): number[] {
  const n = right.length
  const a = matrix.map((row, i) => [...row, right[i]!])
  for (let k = 0; k < n; k++) {
    let best = k
    for (let i = k + 1; i < n; i++) if (Math.abs(a[i]![k]!) > Math.abs(a[best]![k]!)) best = i
    ;[a[k], a[best]] = [a[best]!, a[k]!]
    for (let i = k + 1; i < n; i++) {
      const f = a[i]![k]! / a[k]![k]!
      if (f !== 0) for (let j = k; j <= n; j++) a[i]![j]! -= f * a[k]![j]!
    }
  }
  const x = new Array<number>(n).fill(0)
  for (let i = n - 1; i >= 0; i--) {
    let sum = a[i]![n]!
    for (let j = i + 1; j < n; j++) sum -= a[i]![j]! * x[j]!
    x[i] = sum / a[i]![i]!
  }
  return x
}

/** A full set of equations to be filled: heat that passes between two places, W/K, and from a fixed temperature. */
export function equations(n: number) {
  const a = Array.from({ length: n }, () => new Array<number>(n).fill(0))
  const b = new Array<number>(n).fill(0)
  const join = (i: number, j: number, g: number) => {
    a[i]![i]! += g
    a[j]![j]! += g
    a[i]![j]! -= g
    a[j]![i]! -= g
  }
  const tie = (i: number, g: number, t: number) => {
    a[i]![i]! += g
    b[i]! += g * t
  }
  return { a, b, join, tie }
}

/** Cube roots as the loop has them: straight between those of whole thirty-seconds. */
function tabledRoot(x: number): number {
  const low = Math.floor(x * 32) / 32
  return Math.cbrt(low) + (Math.cbrt(low + 1 / 32) - Math.cbrt(low)) * (x - low) * 32
}

/**
 * The same house by one full matrix: every cell, the air and the star as unknowns of each step, backward Euler. It
 * shares physical laws with the loop, and none of its arithmetic.
 */
export function denseHouse(house: SmallHouse, outsideC: number, skyC: number, windMs: number, houseC: number) {
  const { chains, heaters, cover, upper } = house
  const aboveOf = (i: number) => (upper ? upper.above[i % upper.above.length]! : 0)
  /** Of its longwave, what passes a pane straight now: a drawn cover holds it back. */
  const straightOf = (c: SmallChain) => c.longwaveThrough * (1 - cover.share * (1 - cover.leak))
  /** What passes, with all that lies in line, the mean of what open and drawn would pass in turn. */
  const between = (open: number, drawn: number, inLine: number) => {
    const whole = (g: number) => g / (1 + g * inLine)
    const passes = whole(open) + cover.share * (whole(drawn) - whole(open))
    return passes / (1 - passes * inLine)
  }
  const first = chains.map((_, c) => chains.slice(0, c).reduce((sum, k) => sum + k.capacity.length, 0))
  const cells = first.at(-1)! + chains.at(-1)!.capacity.length
  const face = chains.map((c, i) => first[i]! + c.capacity.length - 1)
  const AIR = cells
  const STAR = cells + 1
  const UPPER = cells + 2
  const unknowns = cells + (upper ? 3 : 2)
  let state = new Array<number>(unknowns).fill(0)
  let films: { convective: number; up: number; radiative: number }[] = []
  let exchange = 0
  let age = FILMS_HOLD

  const densityOutside = () => 101325 / (GAS_CONSTANT_AIR * (outsideC + ZERO_C_K))
  const takeFilms = () => {
    if (upper) exchange = (exchange + airExchange(upper.planeM2, state[AIR]! - state[UPPER]!, densityOutside())) / 2
    films = chains.map((c, i) => {
      const t = state[face[i]!]!
      const u = aboveOf(i)
      const by = state[AIR]! + (upper ? u * (state[UPPER]! - state[AIR]!) : 0)
      const difference = t - by
      const natural = filmFactor(difference > 0, c.facingUp) * tabledRoot(Math.abs(difference))
      const kelvin = (t + state[STAR]!) / 2 + ZERO_C_K
      return {
        convective: Math.max(LEAST_FILM, natural) * c.areaM2,
        // Half of what a face gives goes by its plume: up when it is warm, down when it is cold.
        up: upper ? (Math.floor(difference * 32 + 2048) >= 2048 ? u + (1 - u) / 2 : u / 2) : 0,
        radiative: FOUR_SIGMA * c.emissivity * kelvin ** 3 * c.areaM2 * (1 - straightOf(c)),
      }
    })
  }

  const paneOf = (pane: number, k: number, bare: number) =>
    k === 0
      ? between(pane, cover.pane, FILM_INSIDE + 1 / bare)
      : between(OPEN_COVER, cover.inside, FILM_INSIDE + 1 / bare + 1 / pane)

  /** Where everything stands after a step with these heaters' heat, W. */
  function after(dt: number, heat: readonly number[]): number[] {
    const { a, b, join, tie } = equations(unknowns)
    const hold = (i: number, joules: number) => tie(i, joules / dt, state[i]!)
    const skyFilm = radiativeFilm((outsideC + skyC) / 2, EMISSIVITY)
    chains.forEach((c, i) => {
      c.capacity.forEach((j, k) => hold(first[i]! + k, j * c.areaM2))
      const toSky = skyFilm * c.skyView
      const toAir = outsideFilm(windMs) + skyFilm * (1 - c.skyView)
      const bare = toSky + toAir
      c.between.forEach((g, k) =>
        join(first[i]! + k, first[i]! + k + 1, (c.kind === 'glazing' ? paneOf(c.between[0]!, k, bare) : g) * c.areaM2),
      )
      if (c.kind === 'house') tie(first[i]!, c.areaM2 / HOUSE_FILM, houseC)
      if (c.kind === 'wall' || c.kind === 'glazing') {
        const shut = 1 / (1 / bare + 1 / cover.outside)
        const outer =
          c.kind === 'glazing' && cover.outside > 0 ? between(bare, shut, FILM_INSIDE + 1 / c.between[0]!) : bare
        tie(first[i]!, c.areaM2 * outer, (toSky * skyC + toAir * outsideC) / bare)
      }
      const straight = c.areaM2 * straightOf(c) * skyFilm
      tie(STAR, straight, c.skyView * skyC + (1 - c.skyView) * outsideC)
      join(face[i]!, AIR, films[i]!.convective * (1 - films[i]!.up))
      if (upper) join(face[i]!, UPPER, films[i]!.convective * films[i]!.up)
      join(face[i]!, STAR, films[i]!.radiative)
      b[face[i]!]! += c.sunW
    })
    hold(AIR, house.airCapacity * (1 - (upper?.share ?? 0)))
    if (upper) {
      hold(UPPER, house.airCapacity * upper.share)
      join(AIR, UPPER, exchange)
    }
    tie(
      AIR,
      leakageFlow(house.leakAreaM2, state[AIR]! - outsideC, windMs, 0.000104) * densityOutside() * AIR_SPECIFIC_HEAT,
      outsideC,
    )
    heat.forEach((w, k) => {
      b[AIR]! += w * (1 - heaters[k]!.radiantShare)
      b[STAR]! += w * heaters[k]!.radiantShare
    })
    return solveDense(a, b)
  }

  return {
    set: (values: readonly number[], airC: number, starC: number, upperC: number) => {
      state = upper ? [...values, airC, starC, upperC] : [...values, airC, starC]
    },
    beginHour: () => {
      age = FILMS_HOLD
    },
    step: (dt: number) => {
      if (age >= FILMS_HOLD) {
        takeFilms()
        age = 0
      }
      age += dt
      const heat = heaters.map(() => 0)
      // The highest set point first; the air rises in a straight line with heat.
      for (const k of [...heaters.keys()].sort((x, y) => heaters[y]!.setPointC - heaters[x]!.setPointC)) {
        const { capacityW, setPointC } = heaters[k]!
        const without = after(dt, heat)[AIR]!
        if (without >= setPointC) continue
        const most = heat.map((w, i) => (i === k ? capacityW : w))
        const rise = after(dt, most)[AIR]! - without
        heat[k] = Math.min(capacityW, (capacityW * (setPointC - without)) / rise)
      }
      state = after(dt, heat)
      return heat
    },
    cells: () => state.slice(0, cells),
    airC: () => state[AIR]!,
    starC: () => state[STAR]!,
    upperC: () => state[upper ? UPPER : AIR]!,
  }
}
