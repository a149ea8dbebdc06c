import * as z from 'zod/mini'
import { firstNumberSchema } from '../table/scalars'

/** More than any floor unit holds; the standard itself goes to 16,384 banks of 128. */
export const PRESET_COUNT_MAX = 16_384

/** How one part of a bank-and-slot address is written. */
const counterSchema = z.discriminatedUnion('symbols', [
  /** A, B ... Z, AA, AB ... */
  z.strictObject({ symbols: z.literal('letters') }),
  z.strictObject({ symbols: z.literal('digits'), first: firstNumberSchema }),
])

export type Counter = Readonly<z.infer<typeof counterSchema>>

const bankSelectSchema = z.literal(['none', 'msb', 'lsb', 'both'])

/** Which halves of a bank number a device is sent before a program change: CC 0, CC 32, both, none. */
export type BankSelect = z.infer<typeof bankSelectSchema>

const sentSchema = {
  /** How many presets the device holds. */
  count: z.int().check(z.gte(1), z.lte(PRESET_COUNT_MAX)),
  /** Which bank select controllers it obeys: CC 0 (msb), CC 32 (lsb), both, or none. */
  bankSelect: bankSelectSchema,
  /** How many presets it keeps under one bank number, counted from program 0; the standard's is 128. */
  programsPerBank: z.int().check(z.gte(1), z.lte(128)),
}

/** How a device shows its presets and how they are sent. */
export const numberingSchema = z
  .discriminatedUnion('style', [
    z.strictObject({
      style: z.literal('plain'),
      ...sentSchema,
      first: firstNumberSchema,
      /** Digits its display always shows, so 3 for 001; 1 when it does not pad. */
      digits: z.int().check(z.gte(1), z.lte(5)),
    }),
    z.strictObject({
      style: z.literal('banked'),
      ...sentSchema,
      bank: counterSchema,
      slot: counterSchema,
      /** Slots in one displayed bank: A1 to A8 is 8. Not the bank of bank select. */
      slots: z.int().check(z.gte(1), z.lte(128)),
      /** What stands between the two: nothing, or one of - . : and space. */
      separator: z.literal(['', '-', '.', ':', ' ']),
    }),
  ])
  .check(
    z.refine(({ bankSelect, programsPerBank, count }) => count <= reach(bankSelect, programsPerBank), {
      path: ['count'],
      message: 'more presets than its messages can reach',
    }),
    z.refine(
      (numbering) =>
        numbering.style === 'plain' || numbering.slot.symbols === 'digits' || numbering.slots <= 26,
      {
        path: ['slots'],
        message: 'more slots than letters',
      },
    ),
  )

/** How a device counts its presets on its display, and what program and bank stand for each. */
export type Numbering = Readonly<z.infer<typeof numberingSchema>>

/** How many presets a device that obeys these bank select controllers can be asked for. */
export function reach(bankSelect: BankSelect, programsPerBank: number): number {
  const banks = { none: 1, msb: 128, lsb: 128, both: 16_384 }[bankSelect]
  return banks * programsPerBank
}

/** 128 presets shown from 1: what most pedals do (common practice). */
export const PLAIN_128: Extract<Numbering, { style: 'plain' }> = {
  style: 'plain',
  first: 1,
  digits: 1,
  count: 128,
  bankSelect: 'none',
  programsPerBank: 128,
}
