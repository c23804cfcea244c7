import { bedAt, completeDesign, startingDesign, type Design, type Form } from '../../core/design'
import { madeToStand, withForm, withOpeningsCarried } from '../../core/editing'
import { makeBuilding, type Surface } from '../../core/geometry/surfaces'
import { shadingOf } from '../../core/geometry/shading'
import { glazingAt, makeGlazingLight } from '../../core/optics/glazing-light'
import { NO_LEAVES } from '../../core/geometry/ray-foliage'
import { lightFaces } from '../../core/optics/light-table'
import { roomDirection } from '../../core/geometry/room-direction'
import { makeLandings, settle, tablePlace } from '../../core/optics/landing'
import { skyVector, sunPosition } from '../../core/sun'
import { barrelsOf } from '../bodies'
import { bruteLandings } from './brute-light'
import { madeSkin } from '../skin'

/** A plain saltbox: what the forms have in common. */
const demo = startingDesign('plain', 'Plain')

/** A furnished design of each form, clear glazing, at the demo's latitude. */
export function designOfForm(form: Form, latitudeDeg = 47.4): Design {
  const shapes: Record<Form, Partial<Design['shape']>> = {
    'shed': {},
    'gable': { ridgeHeightM: 3.2 },
    'saltbox': {},
    'gambrel': { breakAtM: 0.7, breakHeightM: 2.4, ridgeHeightM: 3.4 },
    'a-frame': { ridgeHeightM: 3.2, beds: [bedAt(0.8, 1, 0.3)] },
    'arch': { ridgeAtM: 3.8, backWallM: 2.8 },
    'hoop': { kneeWallM: 0.6, ridgeHeightM: 2.6 },
    'own': withForm({ ...demo.shape, front: true, breakAtM: 0.2, breakHeightM: 1.7 }, 'own'),
    'lean-to': {},
    'dome': { widthM: 7, lengthM: 7, ridgeHeightM: 3.6, beds: [bedAt(1.2, 1.1, 0.4), bedAt(2.9, 1.1, 0.4)] },
  }
  const house = madeToStand(
    completeDesign({
      ...demo,
      site: { ...demo.site, latitudeDeg },
      shape: { ...demo.shape, form, ...shapes[form] },
      skin: { ...madeSkin(demo.skin, { endsGlazedShare: form === 'a-frame' ? 0.4 : 0.25 }), glazing: 'glass-2' },
      store: {
        ...demo.store,
        bodies: [
          barrelsOf(demo, {
            count: 8,
            stack: 1,
            raisedM: 0.2,
            atM: form === 'a-frame' ? 2.01 : form === 'dome' ? 5.53 : 3.97,
          }),
        ],
      },
    }),
  )!
  return withOpeningsCarried(house)
}

/**
 * Furthest that any face's share of the transmitted beam lies from brute-force ray casting, over some hours of three
 * days. Both go through the same reflections, so that what is compared is where the beam lands.
 */
export function lightError(design: Design, rays = 12000): number {
  const whole = makeBuilding(design)
  // Where the beam goes straight: what haze does to it is a proof of its own.
  const clear = (s: Surface): Surface => ({ ...s, glazing: s.glazing && { ...s.glazing, haze: 0 } })
  const building = { ...whole, surfaces: whole.surfaces.map(clear) }
  const faces = lightFaces(design, building, s => makeGlazingLight(s.glazing!).diffuse.reflectance)
  const landings = makeLandings({
    building,
    extras: shadingOf(design.shape, building.outline),
    faces: [faces],
    leaves: NO_LEAVES,
    latitudeDeg: design.site.latitudeDeg,
  })[0]!
  const index = new Int32Array(4)
  const weight = new Float64Array(4)
  let worst = 0
  for (const day of ['2027-01-20', '2027-03-28', '2027-07-05']) {
    for (const hour of ['09:10', '11:40', '14:20']) {
      const p = sunPosition(Date.parse(`${day}T${hour}:00Z`), design.site.latitudeDeg, design.site.longitudeDeg)
      if (p.altitudeDeg < 4) continue
      const s = skyVector(p.altitudeDeg, p.azimuthDeg)
      const sun = roomDirection(building, s.e, s.n, s.u)
      tablePlace(design.site.latitudeDeg, s.e, s.n, s.u, index, weight)
      const off = new Float64Array(faces.length)
      let through = 0
      bruteLandings(design, [...sun] as [number, number, number], rays).forEach(({ surface, shares }, g) => {
        const cosine = surface.normal[0] * sun[0] + surface.normal[1] * sun[1] + surface.normal[2] * sun[2]
        if (cosine <= 0) return
        const beam = surface.areaM2 * cosine * glazingAt(surface.glazing!, cosine).transmittance
        through += beam
        const brute = settle(
          Float64Array.from(faces, f => shares.get(f.id) ?? 0),
          faces,
        )
        for (let i = 0; i < faces.length; i++) {
          let table = 0
          for (let k = 0; k < 4; k++) table += weight[k]! * landings[g]!.beam[index[k]! * faces.length + i]!
          off[i]! += beam * (table - brute[i]!)
        }
      })
      if (through > 0) for (const o of off) worst = Math.max(worst, Math.abs(o) / through)
    }
  }
  return worst
}
