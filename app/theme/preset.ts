import { definePreset } from '@primeuix/themes'
import base from '@primeuix/themes/aura/base'
import autocomplete from '@primeuix/themes/aura/autocomplete'
import button from '@primeuix/themes/aura/button'
import dialog from '@primeuix/themes/aura/dialog'
import inputtext from '@primeuix/themes/aura/inputtext'
import menu from '@primeuix/themes/aura/menu'
import select from '@primeuix/themes/aura/select'
import tooltip from '@primeuix/themes/aura/tooltip'

/** One scheme for both themes: its colours are the app's own tokens, which change with the theme. */
const scheme = {
  surface: {
    0: 'var(--sheet)',
    50: 'var(--ground)',
    100: 'var(--hover)',
    200: 'var(--line)',
    300: 'var(--line)',
    400: 'var(--line-strong)',
    500: 'var(--ink-faint)',
    600: 'var(--ink-soft)',
    700: 'var(--ink)',
    800: 'var(--ink)',
    900: 'var(--ink)',
    950: 'var(--ink)',
  },
  primary: {
    color: 'var(--chosen)',
    contrastColor: 'var(--on-chosen)',
    hoverColor: 'var(--ink-soft)',
    activeColor: 'var(--ink-soft)',
  },
  highlight: {
    background: 'var(--chosen)',
    focusBackground: 'var(--chosen)',
    color: 'var(--on-chosen)',
    focusColor: 'var(--on-chosen)',
  },
  mask: { background: 'rgb(0 0 0 / 45%)', color: 'var(--sheet)' },
  formField: {
    background: 'var(--sheet)',
    disabledBackground: 'var(--ground)',
    filledBackground: 'var(--sheet)',
    borderColor: 'var(--line-strong)',
    hoverBorderColor: 'var(--ink-soft)',
    focusBorderColor: 'var(--focus)',
    invalidBorderColor: 'var(--error)',
    color: 'var(--ink)',
    disabledColor: 'var(--ink-faint)',
    placeholderColor: 'var(--ink-faint)',
    iconColor: 'var(--ink-soft)',
    shadow: 'none',
  },
  text: {
    color: 'var(--ink)',
    hoverColor: 'var(--ink)',
    mutedColor: 'var(--ink-faint)',
    hoverMutedColor: 'var(--ink-soft)',
  },
  content: {
    background: 'var(--sheet)',
    hoverBackground: 'var(--hover)',
    borderColor: 'var(--line)',
    color: 'var(--ink)',
    hoverColor: 'var(--ink)',
  },
  overlay: {
    select: { background: 'var(--sheet)', borderColor: 'var(--line-strong)', color: 'var(--ink)' },
    popover: { background: 'var(--sheet)', borderColor: 'var(--line-strong)', color: 'var(--ink)' },
    modal: { background: 'var(--sheet)', borderColor: 'var(--line-strong)', color: 'var(--ink)' },
  },
  list: {
    option: {
      focusBackground: 'var(--hover)',
      selectedBackground: 'var(--chosen)',
      selectedFocusBackground: 'var(--chosen)',
      color: 'var(--ink)',
      focusColor: 'var(--ink)',
      selectedColor: 'var(--on-chosen)',
      selectedFocusColor: 'var(--on-chosen)',
    },
    optionGroup: { background: 'transparent', color: 'var(--ink-soft)' },
  },
  navigation: {
    item: {
      focusBackground: 'var(--hover)',
      activeBackground: 'var(--hover)',
      color: 'var(--ink)',
      focusColor: 'var(--ink)',
      activeColor: 'var(--ink)',
    },
  },
}

const corner = '3px'

/** The second button of a pair: an outline. */
const plainButton = {
  outlined: {
    secondary: {
      color: 'var(--ink)',
      borderColor: 'var(--line-strong)',
      hoverBackground: 'var(--hover)',
      activeBackground: 'var(--hover)',
    },
  },
}

/** The arrow that opens the list of a field. */
const opener = {
  dropdown: {
    background: 'var(--hover)',
    hoverBackground: 'var(--line)',
    activeBackground: 'var(--line)',
    color: 'var(--ink-soft)',
    hoverColor: 'var(--ink)',
    activeColor: 'var(--ink)',
  },
}

/** The library's controls in the clothes of this app: square-ish, flat, dense, ink on film. */
export const preset = definePreset(
  {
    ...base,
    components: { autocomplete, button, dialog, inputtext, menu, select, tooltip },
  },
  {
    primitive: {
      borderRadius: { none: '0', xs: corner, sm: corner, md: corner, lg: corner, xl: corner },
    },
    semantic: {
      transitionDuration: '0.1s',
      focusRing: { width: '2px', style: 'solid', color: 'var(--focus)', offset: '1px', shadow: 'none' },
      formField: {
        paddingX: '0.55rem',
        paddingY: '0.28rem',
        borderRadius: corner,
        focusRing: { width: '0' },
      },
      list: { option: { padding: '0.3rem 0.6rem', borderRadius: '0' }, padding: '0.2rem 0', gap: '0' },
      overlay: {
        select: { borderRadius: corner, shadow: 'none' },
        popover: { borderRadius: corner, shadow: 'none' },
        modal: { borderRadius: corner, shadow: 'none', padding: '1.1rem' },
        navigation: { shadow: 'none' },
      },
      navigation: {
        list: { padding: '0.2rem 0', gap: '0' },
        item: { padding: '0.35rem 0.75rem', borderRadius: '0' },
      },
      colorScheme: { light: scheme, dark: scheme },
    },
    components: {
      button: {
        root: { paddingX: '0.75rem', paddingY: '0.3rem', borderRadius: corner, label: { fontWeight: '600' } },
        colorScheme: { light: plainButton, dark: plainButton },
      },
      autocomplete: { colorScheme: { light: opener, dark: opener } },
      tooltip: {
        root: { borderRadius: corner, shadow: 'none', padding: '0.25rem 0.5rem' },
        colorScheme: {
          light: { root: { background: 'var(--ink)', color: 'var(--sheet)' } },
          dark: { root: { background: 'var(--ink)', color: 'var(--sheet)' } },
        },
      },
    },
  },
)
