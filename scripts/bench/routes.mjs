import { expectOk } from '@same-song/core';
import { families, FAMILY_IDS, openInstrument, specFromPreset } from '@same-song/core/instruments';
import { keyOf, parseNote, QUARTER, scaleById, SCALES } from '@same-song/core/music';
import {
  checkQuestion,
  defaultQuestion,
  defaultPreferences,
  everythingFor,
  keyTable,
  mapView,
  routeLine,
  routingContext,
} from '@same-song/core/route';
import { medianMs, ratio } from './measure.mjs';

/** Budgets in ms; docs/ARCHITECTURE.md lists them. */
const BUDGETS = { route: 50, map: 50, table: 100, cabinet: 300, songs: 1000 };

const scale = (id) => expectOk(scaleById(id));
const note = (text) => expectOk(parseNote(text));

/** A fresh instrument each time, so that nothing is remembered from one run to the next. */
function instrumentOf(family, preset = families[family].presets[0].id) {
  return expectOk(openInstrument(specFromPreset(family, preset)));
}

/** A long song that wanders over everything the instrument has. */
function song(instrument, length) {
  const pitches = [...new Set(instrument.ways.filter((w) => w.able).map((w) => w.pitch))];
  return Array.from({ length }, (_, i) => ({
    id: String(i),
    pitch: pitches[(i * 7 + (i >> 3)) % pitches.length],
    onset: i * 1.5 * QUARTER,
    length: (1 + (i % 2)) * QUARTER * 0.75,
  }));
}

/** Routes, whole maps and key tables of every family against their budgets. */
export async function routeRatios() {
  const ratios = [];
  const against = async (name, budget, work, runs) =>
    ratios.push(ratio(name, (await medianMs(work, runs)) / budget, `${budget} ms`));
  const scales = SCALES.filter((s) => s.group !== 'chords').slice(0, 40);
  for (const family of FAMILY_IDS) {
    const preferences = defaultPreferences(families[family]);
    const line = song(instrumentOf(family), 2000);
    const notation = { naming: 'key', dialect: families[family].dialects[0].id };
    await against(`route of 2,000 notes, ${family}`, BUDGETS.route, () =>
      routeLine(routingContext(instrumentOf(family), preferences), line),
    );
    await against(`map computed, ${family}`, BUDGETS.map, () => {
      const instrument = instrumentOf(family);
      mapView(
        instrument,
        expectOk(checkQuestion(instrument.family, defaultQuestion(instrument.family, instrument))),
        notation,
      );
    });
    await against(
      `table of 12 keys and ${scales.length} scales, ${family}`,
      BUDGETS.table,
      () => keyTable(instrumentOf(family), scales, preferences),
      7,
    );
  }
  const cabinet = () => Array.from({ length: 20 }, (_, i) => instrumentOf(FAMILY_IDS[i % FAMILY_IDS.length]));
  const key = keyOf(scale('major'), note('Eb'));
  await against('20 instruments for one key', BUDGETS.cabinet, () => everythingFor(cabinet(), key), 7);
  await against('every key on ten instruments, 200 notes', BUDGETS.songs, everyKey, 5);
  return ratios;
}

/** A song of 200 notes moved to every key on ten instruments. */
function everyKey() {
  for (let i = 0; i < 10; i += 1) {
    const family = FAMILY_IDS[i % FAMILY_IDS.length];
    const instrument = instrumentOf(family);
    const preferences = defaultPreferences(families[family]);
    const line = song(instrument, 200);
    for (let by = -6; by < 6; by += 1) {
      routeLine(
        routingContext(instrument, preferences),
        line.map((n) => ({ ...n, pitch: n.pitch + by })),
      );
    }
  }
}
