/** One picture of each main view, from the demo data. */
const LOW_E_FLAT = '5a3e5046-0000-4000-8000-000000000001';
const B_FLAT = '5a3e5046-0000-4000-8000-000000000003';

export const SHOTS = [
  {
    name: 'map',
    path: `/map?on=${LOW_E_FLAT}&in=Bb&play=blues-six&at=2`,
    ready: '.map-drawing .chip',
  },
  {
    name: 'map-dark',
    path: `/map?on=${LOW_E_FLAT}&in=F&play=dorian&span=2&with=air&dir=up&at=4`,
    ready: '.map-drawing .chip',
    dark: true,
  },
  {
    name: 'map-over-notes',
    path: `/map?on=${B_FLAT}&in=Bb&play=chromatic&span=all&with=reach&dir=up&at=7`,
    ready: '.map-drawing .chip',
  },
  {
    name: 'map-print',
    path: `/map?on=${LOW_E_FLAT}&in=Bb&play=major&span=2`,
    ready: '.print-sheet .chip',
    print: true,
    width: 794,
    height: 1123,
  },
  { name: 'cabinet', path: `/cabinet/${B_FLAT}`, ready: '.editor-drawing .chip' },
];
