import { expectOk } from '@same-song/core';
import { families, FAMILY_IDS, openInstrument, specFromPreset } from '@same-song/core/instruments';
import { defaultPreferences } from '@same-song/core/route';
import {
  melodySketch,
  opensAt,
  plainPlan,
  readOpenings,
  songFitter,
  songKeys,
  songView,
} from '@same-song/core/song';
import { readAbc, readMidi, readMusicXml, writeAbc, writeMidi, writeMusicXml } from '@same-song/formats';
import { medianMs, ratio } from './measure.mjs';

/** Budgets in ms; docs/ARCHITECTURE.md lists them. */
const BUDGETS = { book: 3000, view: 100, rank: 2000, search: 50 };

/** Instruments that are held against their own melodies, and how many times as long chords may take. */
const ACCOMPANIED = [
  ['diatonic', undefined, 3],
  ['chromatic', undefined, 3],
  ['english', undefined, 3],
  ['anglo', undefined, 3],
  ['dulcimer', undefined, 3],
  ['drum', undefined, 3],
  ['harp', undefined, 3],
  ['harp', 'c-23-double', 6],
];

const LADDER = ['D', 'E', 'F', 'G', 'A', 'B', 'c', 'd', 'e', 'f', 'g', 'a'];

/** A tune of bars of eight eighths, none like the one before. */
function tune(number, bars) {
  const note = (i) => LADDER[(i * 5 + (i >> 2) + number) % LADDER.length];
  const music = Array.from({ length: bars }, (_, bar) =>
    Array.from({ length: 8 }, (_, i) => note(8 * bar + i)).join(''),
  );
  const lines = Array.from({ length: Math.ceil(bars / 4) }, (_, i) =>
    music.slice(4 * i, 4 * i + 4).join('|'),
  );
  return `X:${number}\nT:Tune ${number}\nM:4/4\nL:1/8\nK:G\n${lines.join('|\n')}|]\n`;
}

const instrumentOf = (family) =>
  expectOk(openInstrument(specFromPreset(family, families[family].presets[0].id)));

/** Files read and written, and songs on instruments, against their budgets and against themselves at ten times the size. */
export async function songRatios() {
  const ratios = [];
  const book = Array.from({ length: 500 }, (_, i) => tune(i + 1, 16)).join('\n');
  const whole = await medianMs(() => readAbc(book), 3);
  ratios.push(ratio('book of 500 tunes read', whole / BUDGETS.book, `${BUDGETS.book} ms`));
  const [short, long] = [25, 250].map((bars) => expectOk(readAbc(tune(1, bars))[0]).song);
  for (const [name, read, write] of [
    ['ABC', (text) => readAbc(text), writeAbc],
    ['MusicXML', readMusicXml, writeMusicXml],
    ['MIDI', readMidi, writeMidi],
  ]) {
    const [small, large] = [write(short), write(long)];
    const times = [await medianMs(() => read(small)), await medianMs(() => read(large), 5)];
    ratios.push(ratio(`2,000 notes of ${name} read`, times[1] / times[0] / 10, 'ten times 200 notes'));
  }
  const rankings = [];
  for (const family of FAMILY_IDS) {
    const notation = { naming: 'key', dialect: families[family].dialects[0].id };
    const plan = plainPlan(families[family]);
    const view = await medianMs(() => songView(instrumentOf(family), long, plan, notation), 5);
    ratios.push(ratio(`arrangement of 2,000 notes, ${family}`, view / BUDGETS.view, `${BUDGETS.view} ms`));
    rankings.push(
      await medianMs(() => songKeys(instrumentOf(family), short, defaultPreferences(families[family])), 3),
    );
  }
  const mean = rankings.reduce((sum, time) => sum + time, 0) / rankings.length;
  ratios.push(
    ratio('200 notes over 12 keys on 20 instruments', (20 * mean) / BUDGETS.rank, `${BUDGETS.rank} ms`),
  );
  const library = Array.from({ length: 2000 }, (_, i) => {
    const [read] = readAbc(tune(i + 1, 4));
    const { song } = expectOk(read);
    return { keys: song.keys, sketch: melodySketch(song) };
  });
  const openings = readOpenings('5 1 2 3 5');
  const search = await medianMs(() =>
    library.filter(({ sketch }) => openings.some((one) => opensAt(sketch, one) !== undefined)),
  );
  ratios.push(ratio('2,000 songs searched by first notes', search / BUDGETS.search, `${BUDGETS.search} ms`));
  const fitter = songFitter(instrumentOf('diatonic'), new Set(['plain']));
  const fits = await medianMs(() => library.map(fitter));
  ratios.push(ratio('2,000 songs held against a harmonica', fits / BUDGETS.search, `${BUDGETS.search} ms`));
  // No bar has the chord of the one before, and hardly one its notes and its chord.
  const symbols = ['G', 'C', 'D7', 'Em', 'Am', 'Bm', 'G7', 'Cmaj7', 'A7', 'D', 'F', 'E7'];
  const chords = {
    ...long,
    chords: long.bars.map((_, bar) => ({
      at: bar * 20160,
      symbol: symbols[(bar * 5 + (bar >> 3)) % symbols.length],
    })),
  };
  for (const [family, preset, times] of ACCOMPANIED) {
    const notation = { naming: 'key', dialect: families[family].dialects[0].id };
    const own = preset ?? families[family].presets[0].id;
    const took = (plan) =>
      medianMs(
        () => songView(expectOk(openInstrument(specFromPreset(family, own))), chords, plan, notation),
        3,
      );
    const plain = plainPlan(families[family]);
    const alone = await took(plain);
    const company = await took({ ...plain, adds: { style: 'chords', fullness: 'full', without: [] } });
    ratios.push(
      ratio(
        `2,000 notes with full chords, ${family}${preset ? `, ${preset}` : ''}`,
        company / alone / times,
        `${times} times the melody alone`,
      ),
    );
  }
  return ratios;
}
