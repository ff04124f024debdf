import { createTheme, type Theme } from '@mui/material/styles';

export type ColourMode = 'paper' | 'stage';

/** Colours that MUI must compute with; everything drawn by hand uses the same ones as CSS variables in base.css. */
const COLOURS = Object.freeze({
  paper: {
    ink: '#1f2530',
    soft: '#5d6068',
    paper: '#f5efe3',
    leaf: '#fffdf7',
    rule: '#d8ccb6',
    home: '#a8481b',
    chord: '#27594b',
  },
  stage: {
    ink: '#f4ecdc',
    soft: '#b3ac9c',
    paper: '#15181f',
    leaf: '#1e232c',
    rule: '#454b58',
    home: '#f08a54',
    chord: '#74c6a8',
  },
});

/** A box to tick or a ring to choose: its lines are drawn by `controls/`. */
function mark({ ink, leaf, soft, chord }: (typeof COLOURS)[ColourMode]) {
  return {
    padding: 3,
    '& .mark': {
      width: 20,
      height: 20,
      fill: leaf,
      stroke: soft,
      strokeWidth: 1.5,
      '& path': { fill: 'none', stroke: ink, strokeWidth: 3 },
      '& .mark-filled': { fill: ink, stroke: 'none' },
    },
    '&.Mui-checked .mark': { stroke: chord, strokeWidth: 2 },
    '&.Mui-focusVisible': { outline: '3px solid var(--home)', outlineOffset: -1 },
  };
}

const TEXT_FACE = 'var(--text-face)';
const HEADING_FACE = 'var(--heading-face)';

/** The component library dressed in paper, ink and brass: no capitals, no shadows, square-ish corners, large type. */
export function themeFor(ground: ColourMode): Theme {
  const c = COLOURS[ground];
  const outline = `1.5px solid ${c.rule}`;
  return createTheme({
    palette: {
      mode: ground === 'stage' ? 'dark' : 'light',
      primary: { main: c.chord, contrastText: c.leaf },
      secondary: { main: c.home, contrastText: c.leaf },
      error: { main: c.home },
      text: { primary: c.ink, secondary: c.soft },
      background: { default: c.paper, paper: c.leaf },
      divider: c.rule,
    },
    shape: { borderRadius: 5 },
    spacing: 6,
    shadows: Array.from({ length: 25 }, () => 'none') as Theme['shadows'],
    typography: {
      fontFamily: TEXT_FACE,
      fontSize: 16,
      h1: { fontFamily: HEADING_FACE, fontSize: '1.9rem', fontWeight: 600 },
      h2: { fontFamily: HEADING_FACE, fontSize: '1.3rem', fontWeight: 600 },
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
          root: { padding: '7px 14px', fontSize: '1rem' },
          outlined: { borderWidth: 1.5, borderColor: c.rule, color: c.ink, background: c.leaf },
          text: {
            color: c.ink,
            textDecoration: 'underline',
            textDecorationColor: 'var(--brass)',
            textUnderlineOffset: 4,
          },
        },
      },
      MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
      MuiDialog: { styleOverrides: { paper: { border: `2px solid ${c.ink}`, borderRadius: 8 } } },
      MuiDialogTitle: {
        styleOverrides: { root: { fontFamily: HEADING_FACE, fontSize: '1.5rem', fontWeight: 600 } },
      },
      MuiPopover: {
        styleOverrides: { paper: { border: `2px solid ${c.ink}`, borderRadius: 8, marginTop: 6 } },
      },
      MuiCheckbox: { styleOverrides: { root: mark(c) } },
      MuiRadio: { styleOverrides: { root: mark(c) } },
      MuiTabs: {
        // Tabs that find no room stand in a second row, so the mark is each tab's own.
        styleOverrides: {
          root: { minHeight: 0 },
          list: { flexWrap: 'wrap', gap: '2px 4px' },
          indicator: { display: 'none' },
        },
      },
      MuiTab: {
        styleOverrides: {
          root: {
            minHeight: 0,
            minWidth: 0,
            padding: '6px 11px 8px',
            fontSize: '1rem',
            color: c.ink,
            opacity: 1,
            '&.Mui-selected': { color: c.ink },
          },
        },
      },
      MuiToggleButton: {
        styleOverrides: {
          root: {
            border: outline,
            color: c.ink,
            background: c.leaf,
            fontSize: '1rem',
            textAlign: 'left',
            '&:hover, &.Mui-selected, &.Mui-selected:hover': { background: c.leaf, color: c.ink },
          },
        },
      },
      MuiTable: {
        styleOverrides: {
          root: {
            width: 'auto',
            '& caption': { captionSide: 'top', color: 'inherit', font: 'inherit', padding: '4px 0' },
          },
        },
      },
      MuiTableCell: {
        styleOverrides: {
          root: {
            font: 'inherit',
            lineHeight: 'inherit',
            color: 'inherit',
            borderBottom: outline,
            padding: '4px 12px 4px 0',
            verticalAlign: 'top',
            '&[scope="row"]': { fontWeight: 650 },
          },
          head: { fontWeight: 450, color: c.soft, padding: '2px 12px 2px 0' },
        },
      },
      MuiOutlinedInput: {
        styleOverrides: {
          root: { background: c.leaf },
          notchedOutline: { border: outline },
          input: { padding: '10px 12px' },
        },
      },
      MuiInputLabel: { styleOverrides: { root: { color: c.soft } } },
      MuiFormHelperText: { styleOverrides: { root: { fontSize: '0.92rem', marginLeft: 2 } } },
      MuiSnackbarContent: {
        styleOverrides: {
          root: {
            background: c.ink,
            color: c.paper,
            fontSize: '1rem',
            borderRadius: 6,
            '& .MuiButton-text': { color: 'inherit' },
          },
        },
      },
      MuiTooltip: { styleOverrides: { tooltip: { background: c.ink, color: c.paper, fontSize: '0.9rem' } } },
    },
  });
}
