declare const brand: unique symbol

/** A value that has passed one check, named by `Name`, and may be used where only such a value is right. */
export type Brand<Value, Name extends string> = Value & { readonly [brand]: Name }
