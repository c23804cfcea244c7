/** Limits of every number in the document, in its own unit, with the words that explain them: the schema, the fields and the handles share them. */
export const RANGES = {
  'aim.lowestAirC': [-20, 30],
  'aim.highestAirC': [15, 60],
  'site.latitudeDeg': [-90, 90],
  'site.longitudeDeg': [-180, 180],
  'site.elevationM': [-430, 6000],
  'site.seed': [0, 4294967295],
  'shape.turnDeg': [-180, 180],
  'shape.lengthM': [1, 100],
  'shape.widthM': [1.2, 20],
  'shape.kneeWallM': [0, 3],
  'shape.ridgeHeightM': [1, 12],
  'shape.ridgeAtM': [0.3, 20],
  'shape.backWallM': [0.2, 12],
  'skin.endsGlazedShare': [0, 0.9],
  'skin.cover.afterSunsetH': [-3, 6],
  'skin.cover.afterSunriseH': [-3, 6],
  'skin.cover.onlyBelowC': [-30, 40],
  'skin.edge.thicknessM': [0, 0.3],
  'skin.edge.depthM': [0, 2],
  'store.barrels.count': [0, 400],
  'store.barrels.stack': [1, 3],
  'store.barrels.raisedM': [0, 1.5],
  'store.massWall.thicknessM': [0, 1],
  'store.floor.thicknessM': [0, 0.5],
  'breathe.vents.lowM2': [0, 60],
  'breathe.vents.highM2': [0, 60],
  'breathe.vents.startC': [5, 45],
  'breathe.vents.fullC': [6, 60],
  'topUp.heater.capacityW': [0, 100000],
  'topUp.heater.setPointC': [-10, 30],
  'topUp.heater.pricePerKWh': [0, 100],
  'bed.atM': [0, 20],
  'bed.widthM': [0.2, 10],
  'bed.heightM': [0, 1.5],
  'layer.thicknessM': [0, 1.5],
} as const satisfies Record<string, readonly [number, number]>

export type RangeName = keyof typeof RANGES

/** Steepest and flattest glazing that the section allows, degrees from level. */
export const GLAZING_ANGLE_RANGE: readonly [number, number] = [8, 88]
