/** One picture of each main view, from the demo data. */
const id = (n) => `5a3e5046-0000-4000-8000-${String(n).padStart(12, '0')}`;
const LOW_E_FLAT = id(1);
const B_FLAT = id(3);

/** Something practised, by its number. */
const stand = (n) => ({ path: `/practice/play/${id(n)}`, ready: '.note-row [role="option"]' });

export const SHOTS = [
  {
    name: 'map',
    path: `/map?on=${LOW_E_FLAT}&in=Bb&play=blues-six`,
    note: 2,
    ready: '.map-drawing .chip',
  },
  {
    name: 'map-dark',
    path: `/map?on=${LOW_E_FLAT}&in=F&play=dorian&range=2&with=air&dir=up`,
    note: 4,
    ready: '.map-drawing .chip',
    dark: true,
  },
  {
    name: 'compare',
    path: `/map?on=${LOW_E_FLAT}&in=Bb&play=major&dir=up&vs=play:mixolydian`,
    ready: '.compare-table',
  },
  { name: 'songs', path: '/songs', ready: '.record-table' },
  {
    name: 'song',
    path: `/songs/${id(502)}?on=${id(11)}&adds=rhythm-medium&at=n3`,
    ready: '.note-row [role="option"]',
  },
  {
    name: 'song-beside',
    path: `/songs/${id(500)}?on=${LOW_E_FLAT}&beside=${B_FLAT}&at=n4`,
    ready: '.song-differences',
  },
  { name: 'keys-table', path: `/keys/table?on=${LOW_E_FLAT}&in=Bb&play=major`, ready: '.strips' },
  {
    name: 'keys-cabinet',
    path: `/keys/cabinet?on=${LOW_E_FLAT}&in=Bb&play=major`,
    ready: '.keys-list tbody tr',
  },
  {
    name: 'keys-switch',
    path: `/keys/switch?on=${id(13)}&in=F&play=major&to=D`,
    ready: '.switch-drawing .chip',
  },
  { name: 'keys-circle', path: `/keys/circle?on=${LOW_E_FLAT}&in=Bb`, ready: '.circle-key' },
  {
    name: 'keys-chords',
    path: `/keys/chords?on=${LOW_E_FLAT}&in=Bb&play=minor-pentatonic&bar=4`,
    ready: '.lesson-drawing .chip',
  },
  {
    name: 'keys-holds',
    path: `/keys/holds?on=${id(12)}&in=C&play=major`,
    ready: '.lesson-drawing .chip',
  },
  { name: 'practice-today', path: '/practice/today', ready: '.today-rows li' },
  // Played until the first bars are over.
  { ...stand(720), name: 'practice-stand', toggles: [' '], pause: 9500, dark: true },
  { ...stand(723), name: 'practice-jam', ready: '.jam-bars li', toggles: [' '], pause: 9000 },
  { ...stand(725), name: 'practice-drill', ready: '.drill .chip' },
  {
    name: 'practice-listen',
    path: '/practice/listen',
    ready: '.listen-drawing svg',
    click: '.ear-buttons button:nth-of-type(3)',
    pause: 6000,
  },
  { name: 'practice-progress', path: '/practice/progress', ready: '.chart' },
  { name: 'cabinet', path: `/cabinet/${B_FLAT}`, ready: '.editor-drawing .chip' },
];
