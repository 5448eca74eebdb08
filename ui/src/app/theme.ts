import { createVuetify } from 'vuetify'
import { aliases, paths } from '@/shared/icons'

const shared = { variables: { 'border-color': '#1d2530', 'border-opacity': 0.25 } }

/** Paper for the desk, sunlight for the field, dark for the evening; style.css holds what Vuetify does not know. */
export const vuetify = createVuetify({
  theme: {
    defaultTheme: 'paper',
    themes: {
      paper: {
        dark: false,
        colors: {
          background: '#fbfaf5',
          surface: '#fbfaf5',
          primary: '#a83c0b',
          secondary: '#1f5566',
          error: '#a3161f',
          'on-surface': '#1b232d',
        },
        ...shared,
      },
      sunlight: {
        dark: false,
        colors: {
          background: '#ffffff',
          surface: '#ffffff',
          primary: '#8f2f00',
          secondary: '#003f52',
          error: '#8f0010',
          'on-surface': '#000000',
        },
        ...shared,
      },
      dark: {
        dark: true,
        colors: {
          background: '#14191f',
          surface: '#1a2027',
          primary: '#f08a4b',
          secondary: '#86bccb',
          error: '#ff8b8b',
          'on-surface': '#efece2',
        },
      },
    },
  },
  icons: { defaultSet: 'own', aliases, sets: { own: paths } },
  defaults: {
    VBtn: { variant: 'outlined', rounded: 0, ripple: false, class: 'bk-button' },
    VTextField: { variant: 'outlined', density: 'compact', rounded: 0, hideDetails: 'auto' },
    VSelect: { variant: 'outlined', density: 'compact', rounded: 0, hideDetails: 'auto' },
    VDialog: { maxWidth: 560 },
    VCard: { rounded: 0, elevation: 0, border: true },
    VCheckbox: { density: 'compact', hideDetails: true },
  },
})
