/** What a crop needs of air, soil and light. Temperatures °C. */
export interface CropNeeds {
  name: string
  /** Air that it survives while it holds still, briefly. */
  survivesC: number
  /** Night air at which it still grows. */
  growsC: number
  /** Soil at which its roots still work. */
  soilC: number
  /** Air above which it suffers or stops setting fruit. */
  highestC: number
  /** Least light for growth, mol/m²·d. */
  dli: number
  /** Sowing to first harvest in fair conditions, weeks. */
  weeks: number
  /** So long it gives from its first harvest on while it grows in fair conditions, weeks. */
  givesWeeks: number
  /** It is raised in pots in the warm, and set out. */
  inPots: boolean
}

export interface Crop extends CropNeeds {
  id: string
  group: 'hardy leaves' | 'cool crops' | 'warm fruiting' | 'citrus' | 'tropical' | 'raising'
  source: string
  /**
   * Its harvest stays good on the plant while it holds through the cold: leaves and roots do, pods, fruit and potatoes
   * do not.
   */
  stands: boolean
  /** How tall it stands when it is grown, m. */
  tallM: number
}

const TABLES = 'extension tables of minimum and best growing temperatures; DLI ranges after Torres & Lopez 2012'
/** Beside the hardy leaves. */
const STANDING = new Set(['radish', 'carrot', 'chard'])
/** Sown, or laid, where they grow. */
const IN_PLACE = new Set(['lambs-lettuce', 'spinach', 'radish', 'pea', 'carrot', 'potato', 'bean'])
/** Raised for other beds. */
const RAISED = 'raising'
const crop = (
  id: string,
  name: string,
  group: Crop['group'],
  survivesC: number,
  growsC: number,
  soilC: number,
  highestC: number,
  dli: number,
  weeks: number,
  givesWeeks: number,
  tallM: number,
  source = TABLES,
): Crop => ({
  id,
  name,
  group,
  survivesC,
  growsC,
  soilC,
  highestC,
  dli,
  weeks,
  givesWeeks,
  inPots: !IN_PLACE.has(id) && group !== RAISED,
  source,
  stands: group === 'hardy leaves' || STANDING.has(id),
  tallM,
})

export const CROPS: readonly Crop[] = [
  crop('lambs-lettuce', 'Lamb’s lettuce', 'hardy leaves', -12, 1, 4, 26, 5, 10, 6, 0.08),
  crop('spinach', 'Spinach', 'hardy leaves', -8, 2, 5, 27, 7, 8, 6, 0.25),
  crop('winter-lettuce', 'Winter lettuce', 'hardy leaves', -5, 3, 5, 28, 7, 10, 4, 0.2),
  crop('kale', 'Kale', 'hardy leaves', -10, 3, 6, 29, 8, 10, 16, 0.6),
  crop('leek', 'Leek', 'hardy leaves', -10, 3, 6, 30, 8, 20, 10, 0.6),
  crop('radish', 'Radish', 'cool crops', -2, 4, 6, 28, 8, 5, 2, 0.2),
  crop('pea', 'Pea', 'cool crops', -3, 4, 6, 28, 9, 11, 4, 1.4),
  crop('carrot', 'Carrot', 'cool crops', -4, 4, 7, 30, 9, 13, 8, 0.35),
  crop('chard', 'Chard', 'cool crops', -3, 4, 7, 32, 8, 9, 20, 0.5),
  crop('potato', 'Early potato', 'cool crops', 0, 6, 8, 30, 9, 12, 4, 0.5),
  crop('strawberry', 'Strawberry', 'cool crops', -8, 6, 8, 30, 9, 16, 8, 0.25),
  crop('bean', 'Climbing bean', 'warm fruiting', 3, 10, 13, 34, 10, 10, 8, 1.9),
  crop('courgette', 'Courgette', 'warm fruiting', 3, 10, 14, 35, 11, 8, 14, 0.7),
  crop('tomato', 'Tomato', 'warm fruiting', 3, 11, 14, 34, 13, 15, 18, 1.9),
  crop('cucumber', 'Cucumber', 'warm fruiting', 6, 13, 16, 36, 12, 10, 12, 1.9),
  crop('pepper', 'Pepper', 'warm fruiting', 4, 12, 15, 36, 13, 17, 16, 0.9),
  crop('aubergine', 'Aubergine', 'warm fruiting', 5, 13, 16, 37, 13, 18, 14, 0.9),
  crop('lemon', 'Lemon', 'citrus', -2, 8, 10, 38, 9, 52, 52, 1.8, 'citrus growers’ guides: brief cold to −2 °C'),
  crop('mandarin', 'Mandarin', 'citrus', -3, 8, 10, 38, 9, 52, 52, 1.8, 'citrus growers’ guides: brief cold to −3 °C'),
  crop('fig', 'Fig in a tub', 'citrus', -8, 8, 10, 40, 9, 40, 40, 1.8, 'fruit growers’ guides'),
  crop(
    'banana',
    'Banana',
    'tropical',
    5,
    14,
    16,
    38,
    11,
    60,
    52,
    2.5,
    'tropical horticulture handbooks: chilling below 7–10 °C',
  ),
  crop(
    'papaya',
    'Papaya',
    'tropical',
    5,
    14,
    17,
    38,
    12,
    50,
    52,
    2.5,
    'tropical horticulture handbooks: chilling below 7–10 °C',
  ),
  crop('seedlings-cool', 'Cool seedlings', 'raising', 0, 5, 8, 28, 6, 5, 2, 0.1),
  crop('seedlings-warm', 'Warm seedlings', 'raising', 6, 12, 18, 32, 10, 7, 2, 0.15),
]
