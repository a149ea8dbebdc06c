/** Ends an exhaustive switch: the compiler refuses a call that can be reached. */
export function assertNever(value: never): never {
  throw new TypeError(`Unexpected value: ${JSON.stringify(value)}`)
}
