import { createTheme, type Theme } from '@mui/material/styles';

/** A box to tick or a ring to choose: its lines are drawn by `controls/`. */
const MARK = {
  padding: 3,
  '& .mark': {
    width: 20,
    height: 20,
    fill: 'var(--leaf)',
    stroke: 'var(--soft)',
    strokeWidth: 1.5,
    '& path': { fill: 'none', stroke: 'var(--ink)', strokeWidth: 3 },
    '& .mark-filled': { fill: 'var(--ink)', stroke: 'none' },
  },
  '&.Mui-checked .mark': { stroke: 'var(--chord)', strokeWidth: 2 },
  '&.Mui-focusVisible': { outline: '3px solid var(--home)', outlineOffset: -1 },
};

const TEXT = { fontSize: 'var(--text)' };
const HEADING = { fontFamily: 'var(--heading-face)', fontWeight: 600 };
const OUTLINE = '1.5px solid var(--rule)';
const SHEET = { border: '2px solid var(--ink)', borderRadius: 'var(--round)' };

/** The component library dressed in paper, ink and brass: no capitals, no shadows, square-ish corners, large type. */
export const THEME: Theme = createTheme({
  // Colours are the variables of base.css, so that light and dark are said once; the browser mixes them.
  cssVariables: { nativeColor: true },
  palette: {
    primary: { main: 'var(--chord)', contrastText: 'var(--leaf)' },
    secondary: { main: 'var(--home)', contrastText: 'var(--leaf)' },
    error: { main: 'var(--home)', contrastText: 'var(--leaf)' },
    text: { primary: 'var(--ink)', secondary: 'var(--soft)', disabled: 'var(--soft)' },
    background: { default: 'var(--paper)', paper: 'var(--leaf)' },
    action: {
      active: 'var(--ink)',
      hover: 'var(--glow)',
      selected: 'var(--glow)',
      disabled: 'var(--soft)',
      disabledBackground: 'var(--rule)',
    },
    divider: 'var(--rule)',
  },
  shape: { borderRadius: 4 },
  spacing: 6,
  shadows: Array.from({ length: 25 }, () => 'none') as Theme['shadows'],
  typography: {
    fontFamily: 'var(--text-face)',
    fontSize: 16,
    h1: { ...HEADING, fontSize: 'var(--display)' },
    h2: { ...HEADING, fontSize: 'var(--large)' },
    button: { textTransform: 'none', fontWeight: 600, letterSpacing: 0, lineHeight: 1.3 },
  },
  components: {
    MuiButtonBase: {
      defaultProps: { disableRipple: true },
      // The library takes the outline away from every button.
      styleOverrides: {
        root: { '&:focus-visible': { outline: '3px solid var(--home)', outlineOffset: 2 } },
      },
    },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: {
        root: { ...TEXT, padding: 'var(--s3) var(--s5)' },
        outlined: {
          borderWidth: 1.5,
          borderColor: 'var(--rule)',
          color: 'var(--ink)',
          background: 'var(--leaf)',
        },
        text: {
          color: 'var(--ink)',
          textDecoration: 'underline',
          textDecorationColor: 'var(--brass)',
          textUnderlineOffset: 4,
        },
      },
    },
    MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiDialog: { styleOverrides: { paper: SHEET } },
    MuiDialogTitle: {
      styleOverrides: { root: { ...HEADING, fontSize: 'var(--title)' } },
    },
    MuiPopover: {
      styleOverrides: { paper: { ...SHEET, marginTop: 6 } },
    },
    MuiCheckbox: { styleOverrides: { root: MARK } },
    MuiRadio: { styleOverrides: { root: MARK } },
    MuiTabs: {
      // Tabs that find no room stand in a second row, so the mark is each tab's own.
      styleOverrides: {
        root: { minHeight: 0 },
        list: { flexWrap: 'wrap', gap: 'var(--s1) var(--s2)' },
        indicator: { display: 'none' },
      },
    },
    MuiTab: {
      styleOverrides: {
        root: {
          minHeight: 0,
          minWidth: 0,
          padding: 'var(--s3) var(--s5)',
          ...TEXT,
          color: 'var(--ink)',
          opacity: 1,
          '&.Mui-selected': { color: 'var(--ink)' },
        },
      },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          border: OUTLINE,
          color: 'var(--ink)',
          background: 'var(--leaf)',
          ...TEXT,
          textAlign: 'left',
          '&:hover, &.Mui-selected, &.Mui-selected:hover': { background: 'var(--leaf)', color: 'var(--ink)' },
        },
      },
    },
    MuiTable: {
      styleOverrides: {
        root: {
          width: 'auto',
          '& caption': { captionSide: 'top', color: 'inherit', font: 'inherit', padding: 'var(--s2) 0' },
        },
      },
    },
    MuiTableCell: {
      styleOverrides: {
        root: {
          font: 'inherit',
          lineHeight: 'inherit',
          color: 'inherit',
          borderBottom: OUTLINE,
          padding: 'var(--s2) var(--s5) var(--s2) 0',
          verticalAlign: 'top',
          '&[scope="row"]': { fontWeight: 650 },
        },
        head: { fontWeight: 450, color: 'var(--soft)', padding: 'var(--s1) var(--s5) var(--s1) 0' },
      },
    },
    MuiOutlinedInput: {
      styleOverrides: {
        root: { background: 'var(--leaf)' },
        notchedOutline: { border: OUTLINE },
        input: { padding: 'var(--s4) var(--s5)' },
      },
    },
    MuiInputLabel: { styleOverrides: { root: { color: 'var(--soft)' } } },
    MuiFormHelperText: { styleOverrides: { root: { fontSize: 'var(--small)', marginLeft: 2 } } },
    MuiSnackbarContent: {
      styleOverrides: {
        root: {
          background: 'var(--ink)',
          color: 'var(--paper)',
          ...TEXT,
          borderRadius: 'var(--square)',
          '& .MuiButton-text': { color: 'inherit' },
        },
      },
    },
    MuiTooltip: {
      styleOverrides: {
        tooltip: { background: 'var(--ink)', color: 'var(--paper)', fontSize: 'var(--small)' },
      },
    },
  },
});
