import { expectOk } from '@same-song/core';
import { families, openInstrument, specFromPreset } from '@same-song/core/instruments';
import { defaultPreferences } from '@same-song/core/route';
import { plainPlan, songKeys, type Song } from '@same-song/core/song';
import { readAbc } from '@same-song/formats';
import { demoData } from '../src/demo/demoData.ts';
import { work } from '../src/files/work.ts';
import { serverForEach } from './server.ts';

const { api, added, listed } = serverForEach();

const song = (title = 'Trial', bars = 1): Song =>
  expectOk(readAbc(`X:1\nT:${title}\nR:jig\nM:6/8\nK:D\n${'dfa afd|'.repeat(bars)}\n`)[0]!).song;

async function addedSong(content = song()): Promise<{ id: string; version: number }> {
  return (await api().post('/api/songs').send(content).expect(201)).body as { id: string; version: number };
}

const arrangement = (songId: string, instrumentId: string) => ({
  name: 'On the harmonica',
  songId,
  instrumentId,
  plan: {
    ...plainPlan(families.diatonic),
    preferences: { preset: 'no-overs', weights: {}, playingOptions: {} },
    pins: [{ noteId: 'n1', wayId: 'b4' }],
  },
});

test('a song is kept as it is, changed by version, and listed with what tells it from others', async () => {
  const { id, version } = await addedSong();
  expect((await api().get(`/api/songs/${id}`)).body).toMatchObject(
    JSON.parse(JSON.stringify(song())) as object,
  );
  await api()
    .put(`/api/songs/${id}`)
    .send({ ...song('Changed'), version })
    .expect(200);
  await api()
    .put(`/api/songs/${id}`)
    .send({ ...song('Late'), version })
    .expect(409);
  expect(await listed('songs')).toMatchObject([
    {
      title: 'Changed',
      tags: ['jig'],
      keys: [{ at: 0, tonic: { letter: 'D', accidental: 0 }, scale: 'major' }],
      metres: [{ at: 0, count: 6, unit: 8 }],
      // dfa afd in D: two Ds, two Fs sharp, two As.
      sketch: { first: [74, 78, 81, 81, 78, 74], pitches: [74, 78, 81], notes: 6 },
    },
  ]);
});

test('a song of two thousand notes is kept; one that is wrong is refused at its field', async () => {
  await addedSong(song('Long', 340));
  const { body } = await api()
    .post('/api/songs')
    .send({ ...song(), melody: 'nobody' })
    .expect(422);
  expect(body.problems).toMatchObject([{ field: 'melody' }]);
});

test('an arrangement needs its song and its instrument, which need not forget each other when one changes', async () => {
  const { id: songId, version: songVersion } = await addedSong();
  const { id: instrumentId, version } = await added();
  const { body } = await api().post('/api/arrangements').send(arrangement(songId, instrumentId)).expect(201);
  await api()
    .put(`/api/instruments/${instrumentId}`)
    .send({ ...specFromPreset('diatonic', '65'), name: 'Renamed', version })
    .expect(200);
  await api()
    .put(`/api/songs/${songId}`)
    .send({ ...song('Renamed'), version: songVersion })
    .expect(200);
  const refused = await api()
    .put(`/api/instruments/${instrumentId}`)
    .send({ ...specFromPreset('harp', families.harp.presets[0]!.id), name: 'A harp', version: version + 1 })
    .expect(422);
  expect(refused.body.message).toContain('“On the harmonica” would no longer fit');
  await api()
    .delete(`/api/songs/${songId}?version=${songVersion + 1}`)
    .expect(200);
  expect(await listed('arrangements')).toEqual([]);
  await api().post(`/api/songs/${songId}/restore`).expect(200);
  expect(await listed('arrangements')).toMatchObject([{ id: body.id, songId, instrumentId }]);
  await api().post('/api/arrangements').send(arrangement(instrumentId, instrumentId)).expect(404);
});

test('the demo’s tunes are what the room needs: metres, modes, words, one too wide for a whistle, one of 200 bars', () => {
  const { songs } = demoData();
  const licks = songs.filter(({ tags }) => tags.includes('lick'));
  const tunes = songs.filter((one) => !licks.includes(one));
  expect([tunes.length, licks.length]).toEqual([16, 8]);
  expect(new Set(tunes.map(({ metres: [metre] }) => `${metre!.count}/${metre!.unit}`))).toEqual(
    new Set(['6/8', '4/4', '3/4', '2/4', '9/8']),
  );
  expect(new Set(tunes.map(({ keys: [key] }) => key!.scale)).size).toBe(4);
  const sung = tunes.filter(({ parts }) =>
    parts.some(({ voices }) => voices.some(({ notes }) => notes.some(({ lyrics }) => lyrics))),
  );
  expect(sung).toHaveLength(2);
  expect(tunes.map(({ bars }) => bars.length)).toContain(200);
  expect(tunes.some(({ bars }) => bars.some(({ endings }) => endings))).toBe(true);
  const wide = tunes.filter((tune) =>
    families.whistle.presets.every(({ id }) => {
      const whistle = expectOk(openInstrument(specFromPreset('whistle', id)));
      return songKeys(whistle, tune, defaultPreferences(families.whistle))[0]!.missing > 0;
    }),
  );
  expect(wide.map(({ title }) => title)).toContain('From the Keel to the Masthead');
});

test.each([
  [{ played: false, percussion: false }, undefined, undefined],
  [{ played: false, percussion: true }, undefined, undefined],
  // Two quarters and a half; the drum strokes on every beat, when they are asked for.
  [
    { played: true, percussion: false },
    [62, 64, 65],
    [
      [0, 1],
      [1, 1],
      [2, 2],
    ],
  ],
  [
    { played: true, percussion: true },
    [62, 64, 65],
    [
      [0, 1],
      [1, 1],
      [2, 2],
    ],
  ],
])('a file that is read with %j tells its notes as they sound', (options, pitches, times) => {
  const text = 'X:1\nT:t\nM:4/4\nL:1/4\nK:C\nV:1\nD E F2|\nV:2 clef=perc\nc c c c|\n';
  const done = work({ kind: 'read', name: 'tune.abc', bytes: new TextEncoder().encode(text), ...options });
  if (!done.ok) throw new Error(done.problems[0]!.message);
  interface Note {
    readonly pitch: number;
    readonly start: number;
    readonly length: number;
    readonly percussion?: true;
  }
  const [{ played }] = (done.value as { songs: [{ played?: readonly Note[] }] }).songs;
  const tones = played?.filter(({ percussion }) => !percussion);
  expect(tones?.map(({ pitch }) => pitch)).toEqual(pitches);
  expect(tones?.map(({ start, length }) => [start, length])).toEqual(times);
  const strokes = played?.filter(({ percussion }) => percussion) ?? [];
  expect(strokes.map(({ start }) => start)).toEqual(options.played && options.percussion ? [0, 1, 2, 3] : []);
});
