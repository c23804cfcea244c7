import tzLookup from '@photostructure/tz-lookup'

/**
 * IANA time zone of a place, from an offline map. Latitude −90 to 90°, longitude −180 to 180°. It stands by itself: the
 * map is large, and only who moves a site needs it.
 */
export function timeZoneOf(latitudeDeg: number, longitudeDeg: number): string {
  return tzLookup(latitudeDeg, longitudeDeg)
}
