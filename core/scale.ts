/** A value of one span as the value of another that stands as far along it; beyond an end it goes on in line. */
export function linear([a, b]: readonly [number, number], [c, d]: readonly [number, number]): (v: number) => number {
  const span = Math.abs(b - a) < 1e-12 ? 1e-12 : b - a
  return v => c + ((v - a) / span) * (d - c)
}
