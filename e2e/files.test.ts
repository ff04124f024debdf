import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { families, specFromPreset } from '@same-song/core/instruments';
import { plainPlan } from '@same-song/core/song';
import { startServer } from '../scripts/lib/server.mjs';

const folder = mkdtempSync(join(tmpdir(), 'same-song-files-'));
let server: Awaited<ReturnType<typeof startServer>>;
beforeAll(async () => {
  server = await startServer({ SAME_SONG_DB: join(folder, 'files.sqlite'), PORT: '0' });
});
afterAll(async () => {
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

interface Answer {
  readonly format: string;
  readonly songs: readonly {
    readonly song: { readonly title: string };
    readonly remarks: readonly { readonly text: string }[];
    readonly played: readonly object[];
  }[];
  readonly refused: readonly {
    readonly number: number;
    readonly problems: readonly { readonly message: string }[];
  }[];
  readonly message: string;
}

async function read(name: string, body: string | Uint8Array<ArrayBuffer>, query = '&played=1') {
  const response = await fetch(`${server.address}/api/files/read?name=${encodeURIComponent(name)}${query}`, {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body,
  });
  return { status: response.status, answer: (await response.json()) as Answer };
}

async function write(song: unknown, as: string, arrangement?: unknown) {
  return fetch(`${server.address}/api/files/write`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ song, as, arrangement }),
  });
}

const ABC = 'X:1\nT:Trial\nM:4/4\nL:1/4\nK:G\nG|:F2A2-|A4:|\n';

test('a file is read with the notes as they sound', async () => {
  const { status, answer } = await read('trial.abc', ABC);
  expect(status).toBe(200);
  expect(answer.format).toBe('abc');
  expect(answer.songs[0]!.song.title).toBe('Trial');
  const note = (pitch: number, start: number, length: number) => ({
    part: '1',
    voice: '1',
    pitch,
    start,
    length,
  });
  expect(answer.songs[0]!.played).toEqual([
    note(67, 0, 1),
    note(66, 1, 2),
    note(69, 3, 6),
    note(66, 9, 2),
    note(69, 11, 6),
  ]);
});

test('a song goes out as every kind of file and comes back', async () => {
  const { answer } = await read('trial.abc', ABC);
  const [{ song, played }] = answer.songs as [Answer['songs'][number]];
  const times = (notes: readonly object[]) => notes.map((note) => ({ ...note, part: '', voice: '' }));
  for (const as of ['abc', 'musicxml', 'midi', 'json']) {
    const response = await write(song, as);
    expect(response.status).toBe(200);
    expect(response.headers.get('content-disposition')).toContain('Trial.');
    const back = await read(`trial.${as}`, new Uint8Array(await response.arrayBuffer()));
    expect(times(back.answer.songs[0]!.played)).toEqual(times(played));
  }
});

test('of a book what can be read is read, and the rest is told', async () => {
  const { answer } = await read('book.abc', `${ABC}\n\nX:2\nT:Empty\nK:C\n\nX:3\nT:Last\nK:C\nC|\n`);
  expect(answer.songs.map(({ song }) => song.title)).toEqual(['Trial', 'Last']);
  expect(answer.refused).toMatchObject([{ number: 2, problems: [{ message: 'There are no notes in it.' }] }]);
});

test.each([
  ['no name', '', 'x', 'Give the name of the file'],
  ['nothing', 'a.abc', '', ''],
  ['what no format is', 'a.txt', 'hello', 'none of the kinds'],
  ['XML that is no score', 'a.xml', '<html/>', 'no score'],
  ['an entity', 'a.xml', '<!DOCTYPE x [<!ENTITY a "b">]><x>&a;</x>', 'undefined entity'],
  ['a broken archive', 'a.mxl', 'PK\u0003\u0004nothing', 'cannot be opened'],
  ['patterns', 'a.mid', 'MThd\0\0\0\u0006\0\u0002\0\0\0\u0060', 'type 2'],
  ['a song of ours without bars', 'a.json', '{"format":"same-song-song","version":1}', 'missing'],
])('%s is refused with a sentence', async (_, name, body, message) => {
  const { status, answer } = await read(name, body);
  expect(status).toBeGreaterThanOrEqual(400);
  expect(status).toBeLessThan(500);
  expect(answer.message).toContain(message);
});

test('what is asked wrongly is told by its field', async () => {
  expect((await (await write({}, 'abc')).json()) as object).toMatchObject({
    code: 'invalid',
    problems: expect.arrayContaining([expect.objectContaining({ field: 'song.title' })]),
  });
  const { answer } = await read('trial.abc', ABC);
  expect((await (await write(answer.songs[0]!.song, 'pdf')).json()) as object).toMatchObject({
    problems: [{ field: 'as' }],
  });
});

describe('files that mean harm', () => {
  const repeated = (text: string, megabytes: number) =>
    text.repeat(Math.ceil((megabytes * 1e6) / text.length));
  const xml = (inner: string) =>
    `<score-partwise><part-list><score-part id="P"><part-name/></score-part></part-list><part id="P"><measure>${inner}</measure></part></score-partwise>`;
  const note = '<note><pitch><step>C</step><octave>4</octave></pitch><duration>1</duration></note>';

  test.each([
    ['ten megabytes of nothing', 'a.abc', repeated(' \n', 10)],
    ['ten megabytes of one line', 'a.abc', `X:1\nK:C\n${repeated('C D E F | ', 10)}`],
    ['deep nesting', 'a.xml', repeated('<a>', 10)],
    ['deep JSON', 'a.json', repeated('[', 5)],
    ['very many notes', 'a.xml', xml(repeated(note, 10))],
    [
      'notes of no and negative length',
      'a.xml',
      xml(note.replace('>1<', '>0<') + note.replace('>1<', '>-5<') + note),
    ],
    [
      'three hundred voices',
      'a.abc',
      `X:1\nK:C\n${Array.from({ length: 300 }, (_, i) => `V:${i}\nCDEF|`).join('\n')}`,
    ],
    ['a tuplet in a tuplet in a tuplet', 'a.abc', 'X:1\nK:C\n(3(3(3CDE FGA BAG|'],
    [
      'an endless order of parts',
      'a.abc',
      `X:1\nP:${'('.repeat(50)}A9999${')9999'.repeat(50)}\nK:C\nP:A\nC|`,
    ],
    ['very many repeats', 'a.abc', `X:1\nK:C\n${'|:C:|'.repeat(4000)}`],
    [
      'a MIDI file that says it is longer than it is',
      'a.mid',
      'MThd\0\0\0\u0006\0\u0001\0\u0001\0\u0060MTrk\u007f\u007f\u007f\u007f\0\u0090<',
    ],
  ])('%s', async (_, name, body) => {
    const began = Date.now();
    const reading = read(name, body);
    // Others are answered meanwhile.
    const health = await fetch(`${server.address}/api/instruments`);
    expect(health.status).toBe(200);
    const answered = Date.now() - began;
    const { status, answer } = await reading;
    expect([200, 422, 413]).toContain(status);
    if (status !== 200) expect(answer.message).toMatch(/^[A-Z].*[.?]$/s);
    expect(answered).toBeLessThan(5_000);
    expect(Date.now() - began).toBeLessThan(30_000);
  });
});

async function kept(kind: string, content: object): Promise<string> {
  const response = await fetch(`${server.address}/api/${kind}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(content),
  });
  expect(response.status).toBe(201);
  return ((await response.json()) as { id: string }).id;
}

test('a song is written as an instrument plays it: by a kept arrangement, or one that is sent', async () => {
  const { answer } = await read('trial.abc', 'X:1\nT:Trial\nM:3/4\nL:1/4\nK:D\nD F A|\n');
  const { song } = answer.songs[0]!;
  const whistle = specFromPreset('whistle', '74');
  const instrumentId = await kept('instruments', whistle);
  const songId = await kept('songs', song);
  const plan = { ...plainPlan(families.whistle), transpose: 12 };
  const arrangement = await kept('arrangements', { name: 'High', songId, instrumentId, plan });
  // D F♯ A an octave up: overblown with all six, with four and with two holes covered.
  const tab = await (await write(song, 'tab', arrangement)).text();
  expect(tab).toContain(`Trial in D major, ${whistle.name}`);
  expect(tab).not.toContain('(');
  // Where nobody chose an octave it is the one that the whistle has.
  const abc = await (await write(song, 'abc', { instrument: instrumentId })).text();
  expect(abc).toMatch(/^d2 f2 a2 /m);
  const asWritten = { instrument: instrumentId, plan: { ...plan, transpose: 0 } };
  expect(await (await write(song, 'abc', asWritten)).text()).toMatch(/^w:\(D4\) *\(F♯4\) *\(A4\)/m);
  const svg = await write(song, 'svg', { instrument: whistle, plan });
  expect(svg.headers.get('content-type')).toContain('image/svg+xml');
  expect(await svg.text()).toContain('<g id="n1"');
  expect((await (await write(song, 'csv')).text()).split('\r\n')).toHaveLength(5);

  const refused = async (as: string, given: unknown) => {
    const response = await write(song, as, given);
    const { problems } = (await response.json()) as { problems: { field: string }[] };
    return [response.status, ...problems.map(({ field }) => field)];
  };
  expect(await refused('tab', undefined)).toEqual([422, 'arrangement']);
  expect(await refused('tab', 7)).toEqual([422, 'arrangement']);
  expect(await refused('tab', { instrument: whistle, tempo: 3 })).toEqual([422, 'arrangement.tempo']);
  const odd = { ...whistle, family: 'bagpipe' };
  expect(await refused('tab', { instrument: odd })).toEqual([422, 'arrangement.instrument.family']);
  expect(await refused('svg', { instrument: whistle, dialect: 'odd' })).toEqual([422, 'arrangement.dialect']);
  const far = { ...plan, transpose: 'up' };
  expect(await refused('svg', { instrument: whistle, plan: far })).toEqual([
    422,
    'arrangement.plan.transpose',
  ]);
  expect(await refused('tab', songId)).toEqual([404]);
});
