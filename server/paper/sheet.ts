import PDFDocument from 'pdfkit'

/** The two faces papers are set in, as TrueType files: they ship with the app. */
export interface Fonts {
  readonly regular: Buffer
  readonly bold: Buffer
}

/** Their files, in the folders of their weights. */
export const FONT_FILES: Record<keyof Fonts, string> = {
  regular: 'HankenGrotesk_400Regular.ttf',
  bold: 'HankenGrotesk_700Bold.ttf',
}

export type PaperSize = 'a4' | 'letter'

/** In mm, upright (ISO 216; ANSI A). */
export const PAPER_MM: Record<PaperSize, { readonly width: number; readonly height: number }> = {
  a4: { width: 210, height: 297 },
  letter: { width: 215.9, height: 279.4 },
}

/** PDF user space: 72 to the inch (ISO 32000-1, 8.3.2.3). */
const mm = (length: number): number => (length * 72) / 25.4

/** Round the page nothing is printed: most printers cannot. */
export const MARGIN_MM = 10

/** A document on its way, with a pen that counts in mm from the upper left corner. */
export class Sheet {
  readonly #doc: PDFKit.PDFDocument
  readonly #parts: Buffer[] = []
  readonly #done: Promise<Buffer>
  readonly widthMm: number
  readonly heightMm: number

  constructor(title: string, size: PaperSize, fonts: Fonts, isLandscape = false) {
    const { width, height } = PAPER_MM[size]
    this.widthMm = isLandscape ? height : width
    this.heightMm = isLandscape ? width : height
    this.#doc = new PDFDocument({
      size: [mm(this.widthMm), mm(this.heightMm)],
      margin: 0,
      autoFirstPage: false,
      // None of the fonts a reader has: every letter of a name is to be there.
      font: null as unknown as string,
      info: { Title: title },
    })
    this.#doc.registerFont('regular', fonts.regular)
    this.#doc.registerFont('bold', fonts.bold)
    this.#doc.on('data', (part: Buffer) => this.#parts.push(part))
    this.#done = new Promise((resolve, reject) => {
      this.#doc.once('end', () => resolve(Buffer.concat(this.#parts)))
      this.#doc.once('error', reject)
    })
    this.page()
  }

  page(): void {
    this.#doc.addPage()
  }

  /** How wide a text is, in mm, at a size in points. */
  widthOf(text: string, points: number, face: keyof Fonts = 'regular'): number {
    return (this.#doc.font(face).fontSize(points).widthOfString(text) * 25.4) / 72
  }

  /** One line of text whose baseline box begins at `y`; `at` is its left end, middle or right end. */
  text(
    text: string,
    x: number,
    y: number,
    points: number,
    { face = 'regular', at = 'left' }: { face?: keyof Fonts; at?: 'left' | 'middle' | 'right' } = {},
  ): void {
    const width = this.widthOf(text, points, face)
    const left = at === 'left' ? x : at === 'middle' ? x - width / 2 : x - width
    this.#doc.fillColor('black').text(text, mm(left), mm(y), { lineBreak: false })
  }

  line(
    x1: number,
    y1: number,
    x2: number,
    y2: number,
    { points = 0.5, grey = 0, isDashed = false } = {},
  ): void {
    const level = Math.round(grey * 255)
    this.#doc.lineWidth(points).strokeColor([level, level, level])
    if (isDashed) this.#doc.dash(2, { space: 2 })
    else this.#doc.undash()
    this.#doc.moveTo(mm(x1), mm(y1)).lineTo(mm(x2), mm(y2)).stroke()
  }

  box(x: number, y: number, width: number, height: number): void {
    this.line(x, y, x + width, y)
    this.line(x, y + height, x + width, y + height)
    this.line(x, y, x, y + height)
    this.line(x + width, y, x + width, y + height)
  }

  /** The largest size up to `largest` at which a text is no wider; nothing is cut off, however small it comes out. */
  pointsFor(text: string, most: number, largest: number, face: keyof Fonts = 'regular'): number {
    const wide = this.widthOf(text, largest, face)
    return wide <= most ? largest : Math.floor(((largest * most) / wide) * 20) / 20
  }

  /** A text broken between words into lines no wider than that; a word that is wider alone stands so. */
  broken(text: string, most: number, points: number, face: keyof Fonts = 'regular'): string[] {
    const lines: string[] = []
    for (const word of text.split(' ')) {
      const longer = lines.length === 0 ? word : `${lines.at(-1)} ${word}`
      if (lines.length > 0 && this.widthOf(longer, points, face) <= most) lines[lines.length - 1] = longer
      else lines.push(word)
    }
    return lines
  }

  /** A text cut so that it is no wider, with a sign that it was. */
  cut(text: string, most: number, points: number, face: keyof Fonts = 'regular'): string {
    if (this.widthOf(text, points, face) <= most) return text
    const letters = [...text]
    while (letters.length > 1 && this.widthOf(`${letters.join('')}…`, points, face) > most) letters.pop()
    return `${letters.join('').trimEnd()}…`
  }

  end(): Promise<Buffer> {
    this.#doc.end()
    return this.#done
  }
}
