/** What a column of a pasted table holds. */
export const COLUMN_KINDS = [
  'number',
  'hex',
  'nrpn',
  'msb',
  'lsb',
  'type',
  'name',
  'section',
  'values',
  'min',
  'max',
  'unit',
  'default',
  'note',
  'ignore',
] as const

/** What a column of a chart holds. */
export type ColumnKind = (typeof COLUMN_KINDS)[number]

/** The kind a column head names; `isCertain` where it says CC, and not just "No." or "Control". */
export interface Head {
  readonly kind: ColumnKind
  readonly isCertain: boolean
}

const words = (text: string): readonly string[] => text.split('|').map((one) => one.trim())

/**
 * Words in column heads, as manuals in English, German, French and Spanish write them: small letters without
 * accents, punctuation or "MIDI".
 */
const HEADS: readonly (readonly [ColumnKind, boolean, readonly string[]])[] = [
  [
    'number',
    true,
    words(
      'cc|cc msb|cc number|cc no|cc num|cc nr|cc nummer|cc n|n cc|no cc|numero cc|numero de cc|cc dec|cc decimal|control change|control change number|control change no|controller number|controller no|controller nr|controllernummer|control number|control no|ctrl no|ctrl nr|ctl no|numero de controleur|n de controleur|numero de controlador|n de controlador',
    ),
  ],
  [
    'number',
    false,
    words(
      'no|nr|num|n|nummer|number|numero|address|dec|decimal|control|controller|ctrl|ctl|controleur|controlador|id',
    ),
  ],
  ['hex', true, words('hex|cc hex|hexadecimal|number hex|no hex|hex number|controller hex')],
  ['nrpn', true, words('nrpn|nrpn number|nrpn no|nrpn nr')],
  [
    'msb',
    true,
    words(
      'msb|nrpn msb|cc 99|cc99|nrpn msb cc 99|nrpn msb cc99|msb cc 99|parameter msb|param msb|parameter number msb|nrpn hi|nrpn high|cc 99 nrpn msb|cc 99 msb|msb 99|cc99 msb|nrpn cc 99',
    ),
  ],
  [
    'lsb',
    true,
    words(
      'lsb|nrpn lsb|cc 98|cc98|nrpn lsb cc 98|nrpn lsb cc98|lsb cc 98|parameter lsb|param lsb|parameter number lsb|nrpn lo|nrpn low|cc 98 nrpn lsb|cc 98 lsb|lsb 98|cc98 lsb|nrpn cc 98',
    ),
  ],
  [
    'type',
    true,
    words(
      'type|message|message type|kind|typ|nachricht|nachrichtentyp|tipo|tipo de mensaje|type de message|msg|command|status',
    ),
  ],
  [
    'name',
    false,
    words(
      'name|parameter|function|knob|param|parameter name|feature|target|assignment|item|bezeichnung|funktion|parametername|nom|parametre|fonction|designation|nombre|parametro|funcion|nom du parametre|nombre del parametro|effect parameter|controlled parameter|control name',
    ),
  ],
  ['name', false, words('description|beschreibung|descripcion|what it does|action')],
  [
    'section',
    false,
    words(
      'section|block|group|category|effect|module|page|gruppe|abschnitt|sektion|kategorie|effekt|groupe|categorie|effet|bloc|grupo|seccion|categoria|efecto|bloque',
    ),
  ],
  [
    'values',
    true,
    words(
      'cc value|cc values|cc range|data|data range|data byte|value range|values|value|range|min max|wert|werte|wertebereich|bereich|valeur|valeurs|plage|plage de valeurs|etendue|valor|valores|rango|rango de valores|intervalo|setting|settings|options|states|display|display range|display value|range values|parameter range|control range|cc wert|cc werte|anzeige',
    ),
  ],
  [
    'min',
    true,
    words(
      'min|minimum|mini|lowest|low|von|from|cc min|min value|value min|minimo|valor minimo|valeur min|valeur mini',
    ),
  ],
  [
    'max',
    true,
    words(
      'max|maximum|maxi|highest|high|bis|to|cc max|max value|value max|maximo|valor maximo|valeur max|valeur maxi',
    ),
  ],
  ['unit', true, words('unit|units|einheit|einheiten|unite|unites|unidad|unidades')],
  [
    'default',
    true,
    words(
      'default|def|init|initial|initial value|default value|standard|standardwert|vorgabe|vorgabewert|werkseinstellung|werkswert|defaut|par defaut|valeur par defaut|predeterminado|por defecto|valor por defecto|valor predeterminado|factory|factory default',
    ),
  ],
  [
    'note',
    true,
    words(
      'note|notes|cc lsb|comment|comments|remark|remarks|info|details|bemerkung|bemerkungen|hinweis|hinweise|anmerkung|anmerkungen|kommentar|remarque|remarques|commentaire|commentaires|nota|notas|observaciones|observacion|comentario|comentarios',
    ),
  ],
  [
    'ignore',
    true,
    words(
      'channel|ch|midi channel|kanal|canal|pc|pc no|pc number|program|program no|program number|program change|prog no|programm|programme|programa',
    ),
  ],
]

const KINDS: ReadonlyMap<string, Head> = new Map(
  HEADS.flatMap(([kind, isCertain, all]) => all.map((word): [string, Head] => [word, { kind, isCertain }])),
)

/** Small letters, no accents, no punctuation, no "MIDI". */
const flat = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[#№º°.:()[\]_/*`-]+/g, ' ')
    .replace(/\bmidi\b/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()

/** What a column head names; null where it names nothing known. "CC#", "MIDI CC No.", "Wertebereich", "Numéro". */
export function kindOfHead(cell: string): Head | null {
  const text = cell.trim()
  if (text === '' || text.length > 60) return null
  if (/^[#№]$/.test(text)) return { kind: 'number', isCertain: false }
  // "Range (0-127)", "CC (see p. 4)": what stands in brackets is a remark, or "(hex)".
  const outside = text.replace(/[([].*$/s, '')
  return KINDS.get(flat(text)) ?? KINDS.get(flat(outside)) ?? null
}
