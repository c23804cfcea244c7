const { exp, max, min, sqrt } = Math

/** What a sheet or a stack does with light that comes in at one angle. Shares of the light, 0–1, adding up to 1. */
export interface SheetLight {
  transmittance: number
  reflectance: number
  absorptance: number
}

/** One polarisation's transmittance and reflectance. */
type Pair = [transmittance: number, reflectance: number]

function sheet(surfaceReflectance: number, absorbed: number): Pair {
  const r = surfaceReflectance
  const a = absorbed
  const transmittance = (a * (1 - r) ** 2) / (1 - (r * a) ** 2)
  return [transmittance, r * (1 + a * transmittance)]
}

/** Net radiation of two layers, one behind the other, symmetric each. */
function behind([t1, r1]: Pair, [t2, r2]: Pair): Pair {
  const again = 1 / (1 - r1 * r2)
  return [t1 * t2 * again, r1 + t1 * t1 * r2 * again]
}

/**
 * Light through identical clear parallel sheets with gaps of air, exact for each polarisation, unpolarised light.
 * @param refractiveIndex above 1
 * @param kl extinction coefficient × thickness of one sheet, 0 or more
 * @param sheets 1–5
 * @param cosIncidence 0–1
 * Source: Duffie & Beckman, Solar Engineering of Thermal Processes, ch. 5 (Fresnel, Bouguer, net-radiation method).
 */
export function clearStack(refractiveIndex: number, kl: number, sheets: number, cosIncidence: number): SheetLight {
  const c1 = min(1, max(1e-6, cosIncidence))
  const s2 = sqrt(1 - c1 * c1) / refractiveIndex
  const c2 = sqrt(1 - s2 * s2)
  const perpendicular = ((c1 - refractiveIndex * c2) / (c1 + refractiveIndex * c2)) ** 2
  const parallel = ((c2 - refractiveIndex * c1) / (c2 + refractiveIndex * c1)) ** 2
  const absorbed = exp(-kl / c2)
  let transmittance = 0
  let reflectance = 0
  for (const r of [perpendicular, parallel]) {
    const one = sheet(r, absorbed)
    let stack = one
    for (let i = 1; i < sheets; i++) stack = behind(stack, one)
    transmittance += stack[0] / 2
    reflectance += stack[1] / 2
  }
  return { transmittance, reflectance, absorptance: max(0, 1 - transmittance - reflectance) }
}
