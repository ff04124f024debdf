import {
  checkAsk,
  defaultAsk,
  defaultPreferences,
  expectOk,
  families,
  FAMILY_IDS,
  mapView,
  openInstrument,
  routeLine,
  specFromPreset,
} from '@same-song/core';
import { medianMs, ratio } from './measure.mjs';

/** Budgets in ms; docs/ARCHITECTURE.md lists them. */
const ROUTE_BUDGET = 50;
const REPAINT_BUDGET = 50;

function instrumentOf(family) {
  return expectOk(openInstrument(specFromPreset(family, families[family].presets[0].id)));
}

/** A long song that wanders over everything the instrument has. */
function song(instrument, length) {
  const pitches = [...new Set(instrument.ways.filter((w) => w.able).map((w) => w.pitch))];
  return Array.from({ length }, (_, i) => ({
    pitch: pitches[(i * 7 + (i >> 3)) % pitches.length],
    beats: 1 + (i % 2),
    start: i * 1.5,
  }));
}

/** Routes and whole maps of every family against their budgets. */
export async function routeRatios() {
  const ratios = [];
  for (const family of FAMILY_IDS) {
    const instrument = instrumentOf(family);
    const preferences = defaultPreferences(families[family]);
    const line = song(instrument, 2000);
    const route = await medianMs(() => routeLine(instrument, line, preferences), 7);
    ratios.push(ratio(`route of 2,000 notes, ${family}`, route / ROUTE_BUDGET, `${ROUTE_BUDGET} ms`));
    const ask = expectOk(checkAsk(instrument.family, defaultAsk(instrument.family, instrument.home)));
    const writing = { naming: 'key', dialect: families[family].dialects[0].id };
    const map = await medianMs(() => mapView(instrument, ask, writing));
    ratios.push(ratio(`map computed, ${family}`, map / REPAINT_BUDGET, `${REPAINT_BUDGET} ms`));
  }
  return ratios;
}
