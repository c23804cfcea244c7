/**
 * Rough builders' prices to compare designs by, in money of the design's own currency and in round numbers: no
 * quotation. Glazings, covers and vessels carry theirs with them.
 */
export const PRICES = {
  /** Materials, money per m³. */
  material: {
    'eps': 110,
    'xps': 240,
    'pir': 260,
    'mineral-wool': 90,
    'wood-fibre': 260,
    'straw': 60,
    'softwood': 550,
    'plywood': 900,
    'steel-sheet': 16000,
    'brick': 450,
    'concrete': 220,
    'concrete-block': 260,
    'stone': 420,
    'rammed-earth': 180,
    'gabion': 190,
    'soil': 25,
    'gravel': 45,
    'clay-soil': 10,
    'sandy-soil': 25,
    'own': 250,
  } as Readonly<Record<string, number>>,
  /** Tanks of sheet or mesh and liner, and ponds of liner, money per m³ of water. */
  tankM3: 110,
  pondM3: 60,
  /** Frame under glazing and roof, money per m² of slope. */
  frameM2: 32,
  /** A curved or broken slope costs this much more frame. */
  bentFrame: 1.35,
  /** Foundation, money per m of perimeter. */
  foundationM: 55,
  /** Digging and carting, money per m³. */
  digM3: 35,
  /** Skin of an entry lobby, money per m² of its floor. */
  lobbyM2: 220,
  bedM2: 30,
} as const
