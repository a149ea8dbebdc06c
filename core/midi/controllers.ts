import type { U7 } from '../base/u7'

/** Controller numbers with a fixed meaning that this project sends (M1 v4.2.1, table III). */
export const CONTROLLER = {
  bankSelectMsb: 0 as U7,
  bankSelectLsb: 32 as U7,
} as const
