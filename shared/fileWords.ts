import { cutText } from '#core/base'

/** A name as part of a file's: what file systems stumble over is left out. */
export const fileWords = (name: string): string =>
  cutText(
    name
      .replaceAll(/[^\p{Letter}\p{Mark}\p{Number} ,()'-]/gu, ' ')
      .replaceAll(/ +/g, ' ')
      .trim(),
    50,
  ) || 'Rig'
