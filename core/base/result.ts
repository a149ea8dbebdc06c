/** The outcome of an operation that may be refused: expected refusals are values, never exceptions. */
export type Result<Value, Refusal> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly refusal: Refusal }

export const accept = <Value>(value: Value) => ({ ok: true, value }) as const

export const refuse = <const Refusal>(refusal: Refusal) => ({ ok: false, refusal }) as const
