/** The outcome of an operation that may be refused: expected refusals are values, never exceptions. */
export type Result<Value, Refusal> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly refusal: Refusal }

/** What was asked for. */
export const accept = <Value>(value: Value) => ({ ok: true, value }) as const

/** Why it was not done, as data. */
export const refuse = <const Refusal>(refusal: Refusal) => ({ ok: false, refusal }) as const
