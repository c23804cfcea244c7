import { RAD } from '../../../core/physics/constants'
import {
  AmbientLight,
  BoxGeometry,
  BufferGeometry,
  Color,
  CylinderGeometry,
  DirectionalLight,
  DoubleSide,
  EdgesGeometry,
  Float32BufferAttribute,
  Group,
  LineBasicMaterial,
  LineLoop,
  LineSegments,
  Matrix4,
  Mesh,
  MeshLambertMaterial,
  Path,
  PCFSoftShadowMap,
  PerspectiveCamera,
  PlaneGeometry,
  RingGeometry,
  Scene,
  Shape,
  ShapeGeometry,
  SphereGeometry,
  Vector2,
  Vector3,
  WebGLRenderer,
  type Material,
  type Object3D,
} from 'three'
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js'
import { kindOf } from '../../../core/bodies/registry'
import type { Design } from '../../../core/design'
import { isRectangle, outlineOf, type PlanPoint } from '../../../core/geometry/footprint'
import { shadingOf } from '../../../core/geometry/shading'
import { openingPolygons } from '../../../core/geometry/leaves'
import { lobbyOf } from '../../../core/geometry/lobby'
import { isLeaf, liningM, openingOf } from '../../../core/geometry/parts'
import { makeBuilding, type Building, type Vec } from '../../../core/geometry/surfaces'
import { roomDirection } from '../../../core/geometry/room-direction'
import { VESSEL_COLOUR } from '../section/vessel-colour'
import { skyVector } from '../../../core/sun'

/** Colours of the model, from the theme. */
export interface ModelColours {
  sky: string
  ground: string
  wall: string
  glass: string
  bed: string
  masonry: string
  water: string
  wood: string
  ink: string
}

export interface ModelScene {
  /** Builds the house anew. The eye stays where it is. */
  show: (design: Design, colours: ModelColours) => void
  /** Puts the sun there; below the horizon there is only the light of the sky. */
  sun: (altitudeDeg: number, azimuthDeg: number) => void
  /** Puts the eye outside before the sunny corner, or inside by the door. */
  look: (from: 'outside' | 'inside' | 'above') => void
  /** Turns the eye about the house. */
  turn: (rightDeg: number, upDeg: number) => void
  nearer: (factor: number) => void
  resize: (width: number, height: number) => void
  dispose: () => void
}

/** The model of a house in the round, with true sun and shadows. Throws where the browser has no WebGL. */
export function createModelScene(canvas: HTMLCanvasElement): ModelScene {
  const renderer = new WebGLRenderer({ canvas, antialias: true, preserveDrawingBuffer: true })
  renderer.shadowMap.enabled = true
  renderer.shadowMap.type = PCFSoftShadowMap
  const scene = new Scene()
  const camera = new PerspectiveCamera(42, 1, 0.05, 400)
  const controls = new OrbitControls(camera, canvas)
  controls.maxPolarAngle = Math.PI / 2 - 0.01
  const sky = new AmbientLight(0xffffff, 1.25)
  const sunLight = new DirectionalLight(0xfff1cf, 2.6)
  sunLight.castShadow = true
  sunLight.shadow.mapSize.set(2048, 2048)
  sunLight.shadow.bias = -0.0006
  sunLight.shadow.normalBias = 0.02
  const disc = new Mesh(new SphereGeometry(1, 20, 12), new MeshLambertMaterial({ emissive: 0xf2b632, color: 0x000000 }))
  scene.add(sky, sunLight, sunLight.target, disc)
  let house: Group | null = null
  let building: Building | null = null
  let middle = new Vector3()
  let size = 8
  let drawn = false
  /**
   * The east end stands on the right of one who faces the sunny side from the pole; south of the equator, where that
   * one looks north, on the left.
   */
  let hand = 1
  /** The room's x (poleward), y (east) and z (up) as three's: x to the right, y up, z towards the sunny side. */
  const to3 = (p: Vec) => new Vector3(hand * p[1], p[2], -p[0])
  const render = () => {
    if (!drawn) return
    renderer.render(scene, camera)
  }
  controls.addEventListener('change', render)

  function clear(thing: Object3D): void {
    thing.traverse(o => {
      if (!(o instanceof Mesh) && !(o instanceof LineSegments)) return
      o.geometry.dispose()
      ;(o.material as Material).dispose()
    })
  }

  /** A flat polygon with holes in it, in the room's own directions. */
  function face(polygon: readonly Vec[], holes: readonly (readonly Vec[])[] = []): BufferGeometry {
    // Two directions across it, so that it can be cut flat.
    const corners = polygon.map(to3)
    const origin = corners[0]!
    const u = corners[1]!.clone().sub(origin).normalize()
    const normal = new Vector3()
    corners.forEach((p, i) => normal.add(p.clone().cross(corners[(i + 1) % corners.length]!)))
    const w = normal.normalize().clone().cross(u)
    const flat = (p: Vec) => {
      const off = to3(p).sub(origin)
      return new Vector2(off.dot(u), off.dot(w))
    }
    const shape = new Shape(polygon.map(flat))
    shape.holes = holes.map(h => new Path(h.map(flat)))
    return new ShapeGeometry(shape).applyMatrix4(new Matrix4().makeBasis(u, w, normal).setPosition(origin))
  }

  /** The ring between two polygons of as many corners; it need not be flat. */
  function ring(polygon: readonly Vec[], hole: readonly Vec[]): BufferGeometry {
    const points = polygon.flatMap((p, i) => {
      const j = (i + 1) % polygon.length
      return [p, polygon[j]!, hole[j]!, p, hole[j]!, hole[i]!].flatMap(q => to3(q).toArray())
    })
    const geometry = new BufferGeometry()
    geometry.setAttribute('position', new Float32BufferAttribute(points, 3))
    geometry.computeVertexNormals()
    return geometry
  }

  function show(design: Design, colours: ModelColours): void {
    if (house) {
      scene.remove(house)
      clear(house)
    }
    const first = house === null
    house = new Group()
    building = makeBuilding(design)
    hand = design.site.latitudeDeg >= 0 ? 1 : -1
    const { outline, surfaces, objects, lengthM } = building
    const group = house
    scene.background = new Color(colours.sky)
    const solid = (colour: string) => new MeshLambertMaterial({ color: colour, side: DoubleSide })
    const add = (geometry: BufferGeometry, material: Material, cast = true, lines = false) => {
      const mesh = new Mesh(geometry, material)
      mesh.castShadow = cast
      mesh.receiveShadow = true
      group.add(mesh)
      if (lines)
        group.add(new LineSegments(new EdgesGeometry(geometry, 20), new LineBasicMaterial({ color: colours.ink })))
      return mesh
    }
    for (const s of surfaces) {
      if (s.kind === 'floor') add(face([...s.polygon]), solid(colours.wood), false)
      else if (s.kind === 'glazed') {
        const pane = add(
          face(s.polygon, s.cuts),
          new MeshLambertMaterial({
            color: colours.glass,
            transparent: true,
            opacity: 0.12,
            side: DoubleSide,
            depthWrite: false,
          }),
          false,
          true,
        )
        pane.receiveShadow = false
      } else {
        const wall = s.part && liningM(design.store, s.part) > 0 ? colours.masonry : colours.wall
        add(face(s.polygon, s.cuts), solid(isLeaf(s) ? colours.wood : wall), true, true)
      }
    }
    // Leaves of the part's own make are no piece of their own: their edges are drawn on it.
    for (const { index, polygon } of openingPolygons(design, outline)) {
      if (surfaces.some(s => openingOf(s.id) === index)) continue
      const edges = new BufferGeometry().setFromPoints(polygon.map(to3))
      group.add(new LineLoop(edges, new LineBasicMaterial({ color: colours.ink })))
    }
    const box = (x0: number, x1: number, y0: number, y1: number, z0: number, z1: number, colour: string) => {
      const mesh = add(new BoxGeometry(y1 - y0, Math.max(0.01, z1 - z0), x1 - x0), solid(colour), true, true)
      mesh.position.copy(to3([(x0 + x1) / 2, (y0 + y1) / 2, (z0 + z1) / 2]))
      group.children.at(-1)!.position.copy(mesh.position)
    }
    const colourOf = (o: (typeof objects)[number]) => {
      if (o.kind !== 'body') return o.kind === 'bed' ? colours.bed : colours.wood
      const body = design.store.bodies[o.index]!
      const { look, colour } = kindOf(body)
      return VESSEL_COLOUR[colour(body) ?? ''] ?? (look === 'mass' ? colours.masonry : colours.water)
    }
    for (const o of objects) {
      if (o.bank) {
        const { rows, perRow, pitchM, count, radiusM } = o.bank
        const depth = (o.x1 - o.x0) / rows
        const body = design.store.bodies[o.index]!
        const levels = kindOf(body).levels(body)
        const high = (o.z1 - o.z0) / levels
        for (let i = 0; i < count; i++) {
          for (let level = 0; level < levels; level++) {
            const mesh = add(
              new CylinderGeometry(radiusM * 0.97, radiusM * 0.97, high * 0.98, 18),
              solid(VESSEL_COLOUR[kindOf(body).colour(body) ?? 'black']!),
            )
            mesh.position.copy(
              to3([
                o.x0 + (Math.floor(i / perRow) + 0.5) * depth,
                o.y0 + ((i % perRow) + 0.5) * pitchM,
                o.z0 + (level + 0.5) * high,
              ]),
            )
          }
        }
      } else if (o.pieces.length === 1 && isRectangle(o.pieces[0]!))
        box(o.x0, o.x1, o.y0, o.y1, o.z0, o.z1, colourOf(o))
      else {
        const at = ([x, y]: PlanPoint, z: number): Vec => [x, y, z]
        for (const piece of o.pieces) add(face(piece.map(p => at(p, o.z1))), solid(colourOf(o)))
        for (const [a, b] of outlineOf(o.pieces))
          add(face([at(a, o.z0), at(b, o.z0), at(b, o.z1), at(a, o.z1)]), solid(colourOf(o)), true, true)
      }
    }
    const { strip, outside } = shadingOf(design.shape, outline)
    for (const screen of [...(strip ? [strip] : []), ...outside]) {
      const { corner: c, u, v } = screen
      const corner = (a: number, b: number): Vec => [
        c[0] + a * u[0] + b * v[0],
        c[1] + a * u[1] + b * v[1],
        c[2] + a * u[2] + b * v[2],
      ]
      add(face([corner(0, 0), corner(1, 0), corner(1, 1), corner(0, 1)]), solid(colours.wall), true, true)
    }
    const lobby = lobbyOf(design)
    if (lobby) {
      const top = lobby.corners.map(([x, y]): Vec => [x, y, lobby.heightM])
      const foot = lobby.corners.map(([x, y]): Vec => [x, y, 0])
      add(face(top), solid(colours.wall), true, true)
      for (const [i, j] of [
        [1, 2],
        [2, 3],
        [3, 0],
      ] as const)
        add(face([foot[i]!, foot[j]!, top[j]!, top[i]!]), solid(colours.wall), true, true)
    }
    // The ground outside, left open where the house stands: from the floor's rim outwards, each place at its height.
    const far = 5
    const rim = surfaces.find(s => s.kind === 'floor')!.polygon
    const level = (p: Vec): Vec => [p[0], p[1], building!.groundAt(Math.min(outline.widthM, Math.max(0, p[0]))) - 0.002]
    const outwards = (p: Vec): Vec =>
      level([outline.widthM / 2 + (p[0] - outline.widthM / 2) * far * 2, lengthM / 2 + (p[1] - lengthM / 2) * far, 0])
    add(ring(rim.map(outwards), rim.map(level)), solid(colours.ground), false)
    // A needle for true north lies on the ground before the house.
    const needle = new Group()
    const shaft = new Mesh(
      new PlaneGeometry(0.12, 1.6),
      new MeshLambertMaterial({ color: colours.ink, side: DoubleSide }),
    )
    const tip = new Mesh(
      new RingGeometry(0, 0.3, 3, 1, Math.PI / 2),
      new MeshLambertMaterial({ color: colours.ink, side: DoubleSide }),
    )
    shaft.rotation.x = tip.rotation.x = -Math.PI / 2
    tip.position.z = -0.95
    needle.add(shaft, tip)
    // It lies towards −z and turns from there to north.
    const north = to3(roomDirection(building, 0, 1, 0))
    needle.rotation.y = Math.atan2(-north.x, -north.z)
    needle.position.copy(to3([-1.6, lengthM / 2, building.groundAt(0) + 0.03]))
    group.add(needle)
    scene.add(group)
    middle = to3([outline.widthM / 2, lengthM / 2, outline.ridgeHeightM / 2.4])
    size = Math.hypot(lengthM, outline.widthM, outline.ridgeHeightM)
    const reach = size * 0.8
    Object.assign(sunLight.shadow.camera, {
      left: -reach,
      right: reach,
      top: reach,
      bottom: -reach,
      near: 1,
      far: size * 6,
    })
    sunLight.shadow.camera.updateProjectionMatrix()
    sunLight.target.position.copy(middle)
    controls.target.copy(middle)
    if (first) look('outside')
    drawn = true
    render()
  }

  function sun(altitudeDeg: number, azimuthDeg: number): void {
    if (!building) return
    const up = altitudeDeg > 0
    const { e, n, u } = skyVector(altitudeDeg, azimuthDeg)
    const way = to3(roomDirection(building, e, n, u))
    sunLight.visible = disc.visible = up
    sky.intensity = up ? 0.75 + 0.5 * Math.min(1, altitudeDeg / 30) : 0.4
    sunLight.intensity = up ? 1 + 2 * Math.min(1, altitudeDeg / 25) : 0
    sunLight.position.copy(middle).addScaledVector(way, size * 2.4)
    disc.position.copy(middle).addScaledVector(way, size * 3.4)
    disc.scale.setScalar(size * 0.06)
    render()
  }

  function look(from: 'outside' | 'inside' | 'above'): void {
    if (!building) return
    const L = building.lengthM
    const w = building.outline.widthM
    if (from === 'outside') camera.position.set(middle.x - size * 0.55, size * 0.4, size * 0.72)
    else if (from === 'above') camera.position.set(middle.x, size * 1.6, -w / 2 + 0.01)
    else camera.position.copy(to3([w * 0.55, L - 0.3, 1.6]))
    controls.target.copy(from === 'inside' ? to3([w * 0.5, L * 0.2, 0.9]) : middle)
    controls.update()
    render()
  }

  function turn(rightDeg: number, upDeg: number): void {
    const off = camera.position.clone().sub(controls.target)
    const r = off.length()
    const around = Math.atan2(off.x, off.z) + rightDeg * RAD
    const up = Math.min(1.5, Math.max(0.03, Math.asin(off.y / r) + upDeg * RAD))
    camera.position.set(
      controls.target.x + r * Math.cos(up) * Math.sin(around),
      controls.target.y + r * Math.sin(up),
      controls.target.z + r * Math.cos(up) * Math.cos(around),
    )
    controls.update()
    render()
  }
  function nearer(factor: number): void {
    camera.position.sub(controls.target).multiplyScalar(factor).add(controls.target)
    controls.update()
    render()
  }
  function resize(width: number, height: number): void {
    renderer.setPixelRatio(Math.min(2, window.devicePixelRatio))
    renderer.setSize(width, height, false)
    camera.aspect = width / Math.max(1, height)
    camera.updateProjectionMatrix()
    render()
  }
  function dispose(): void {
    drawn = false
    controls.dispose()
    if (house) clear(house)
    disc.geometry.dispose()
    renderer.dispose()
  }
  return { show, sun, look, turn, nearer, resize, dispose }
}
