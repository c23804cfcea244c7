/** One row of the table of proofs. */
export interface ProofRow {
  case: string
  expected: number
  got: number
  tolerance: number
  ok: boolean
  source: string
}

/** A row that holds when `got` is within `tolerance` of `expected`. */
export function proof(name: string, expected: number, got: number, tolerance: number, source: string): ProofRow {
  return { case: name, expected, got, tolerance, ok: Math.abs(got - expected) <= tolerance, source }
}
