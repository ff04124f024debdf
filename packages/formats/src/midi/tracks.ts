import { fail, ok, type Result } from '@same-song/core';
import { parseMidi, type MidiEvent } from 'midi-file';
import type { Remark } from '../remark.ts';

/** A note as the file has it, in quarters from its beginning. */
export interface MidiNote {
  readonly pitch: number;
  readonly onset: number;
  readonly length: number;
}

/** What one channel of one track plays. */
export interface MidiTrack {
  readonly name: string;
  /** On the channel that is for percussion. */
  readonly percussion: boolean;
  readonly notes: readonly MidiNote[];
  readonly lyrics: readonly { readonly at: number; readonly text: string }[];
}

/** A Standard MIDI File, its times in quarters. */
export interface MidiSong {
  readonly title: string;
  readonly tracks: readonly MidiTrack[];
  readonly metres: readonly { readonly at: number; readonly count: number; readonly unit: number }[];
  readonly keys: readonly { readonly at: number; readonly fifths: number; readonly minor: boolean }[];
  /** Quarters a minute. */
  readonly tempos: readonly { readonly at: number; readonly perMinute: number }[];
}

type Event = MidiEvent & { readonly at: number };

/** Reads what can be read: a file that ends early ends there, notes that nobody ends end with their track. */
export function readTracks(bytes: Uint8Array, remarks: Remark[]): Result<MidiSong> {
  const data = withoutWrapper(bytes);
  if (textAt(data, 0, 4) !== 'MThd' || data.length < 14)
    return fail({
      field: '',
      wrong: textAt(data, 0, 4),
      message: 'This is no MIDI file: it does not begin with MThd.',
    });
  const view = new DataView(data.buffer, data.byteOffset, data.byteLength);
  const format = view.getUint16(8);
  const division = view.getUint16(12);
  if (format > 1)
    return fail({
      field: '',
      wrong: String(format),
      message: `MIDI files of type ${format} hold patterns rather than a song; types 0 and 1 are read.`,
    });
  if (division === 0)
    return fail({ field: '', wrong: '0', message: 'The file says that a quarter has no length.' });
  const smpte = (division & 0x8000) !== 0;
  if (smpte) remarks.push({ text: 'Times are in seconds; a quarter is taken for half a second.' });
  const perQuarter = smpte ? ((256 - (division >> 8)) * (division & 0xff)) / 2 : division;
  const found: Event[][] = [];
  for (let at = 8 + view.getUint32(4); at + 8 <= data.length && found.length < 500;) {
    const length = view.getUint32(at + 4);
    const end = Math.min(data.length, at + 8 + length);
    if (textAt(data, at, 4) === 'MTrk')
      found.push(eventsIn(data.subarray(at + 8, end), perQuarter, found.length + 1, remarks));
    if (at + 8 + length > data.length) remarks.push({ text: 'The file ends early; what is there is read.' });
    at += 8 + length;
  }
  const meta = found.flat().sort((a, b) => a.at - b.at);
  return ok({
    title: nameOf(found[0] ?? []),
    tracks: found.flatMap((events) => tracksIn(events, remarks)),
    metres: meta.flatMap((e) =>
      e.type === 'timeSignature' && e.numerator > 0 && e.numerator <= 64
        ? [{ at: e.at, count: e.numerator, unit: e.denominator }]
        : [],
    ),
    keys: meta.flatMap((e) =>
      e.type === 'keySignature' && Math.abs(e.key) <= 7
        ? [{ at: e.at, fifths: e.key, minor: e.scale === 1 }]
        : [],
    ),
    tempos: meta.flatMap((e) =>
      e.type === 'setTempo' && e.microsecondsPerBeat > 0
        ? [{ at: e.at, perMinute: Math.round(6e9 / e.microsecondsPerBeat) / 100 }]
        : [],
    ),
  });
}

/** Some files stand in a wrapper of another kind. */
function withoutWrapper(bytes: Uint8Array): Uint8Array {
  return textAt(bytes, 0, 4) === 'RIFF' && textAt(bytes, 8, 4) === 'RMID' ? bytes.subarray(20) : bytes;
}

function textAt(bytes: Uint8Array, at: number, length: number): string {
  return String.fromCharCode(...bytes.subarray(at, at + length));
}

/** The events of one track up to the first byte that makes no sense. */
function eventsIn(data: Uint8Array, perQuarter: number, number: number, remarks: Remark[]): Event[] {
  const whole = parsed(data);
  let events = whole;
  if (!whole) {
    remarks.push({ text: `Track ${number} is damaged; what stands before is read.` });
    let good = 0;
    for (let bad = data.length; bad - good > 1;) {
      const middle = (good + bad) >> 1;
      if (parsed(data.subarray(0, middle))) good = middle;
      else bad = middle;
    }
    events = parsed(data.subarray(0, good));
  }
  let at = 0;
  return (events ?? []).flatMap((event) => {
    if (!(event.deltaTime >= 0)) return [];
    at += event.deltaTime;
    return [{ ...event, at: at / perQuarter }];
  });
}

/** Undefined where the parser gives up. */
function parsed(track: Uint8Array): MidiEvent[] | undefined {
  const { length } = track;
  const head = [...'MThd']
    .map((c) => c.charCodeAt(0))
    .concat(
      [0, 0, 0, 6, 0, 0, 0, 1, 0, 96],
      [...'MTrk'].map((c) => c.charCodeAt(0)),
    );
  const file = new Uint8Array(head.length + 4 + length);
  file.set(head);
  new DataView(file.buffer).setUint32(head.length, length);
  file.set(track, head.length + 4);
  try {
    return parseMidi(file).tracks[0] ?? [];
  } catch {
    return undefined;
  }
}

function nameOf(events: readonly Event[]): string {
  const named = events.find((e) => e.type === 'trackName' && e.text.trim() !== '');
  return named?.type === 'trackName' ? named.text.trim().slice(0, 200) : '';
}

function tracksIn(events: readonly Event[], remarks: Remark[]): MidiTrack[] {
  const name = nameOf(events);
  const end = events.at(-1)?.at ?? 0;
  const byChannel = new Map<number, MidiNote[]>();
  const open = new Map<string, number[]>();
  let hanging = 0;
  const close = (channel: number, pitch: number, at: number) => {
    const onset = open.get(`${channel}.${pitch}`)?.shift();
    if (onset === undefined) return;
    const notes = byChannel.get(channel) ?? [];
    if (at > onset) notes.push({ pitch, onset, length: at - onset });
    byChannel.set(channel, notes);
  };
  for (const event of events) {
    if (event.type !== 'noteOn' && event.type !== 'noteOff') continue;
    const { channel, noteNumber, velocity, at } = event;
    if (!(noteNumber >= 0 && noteNumber <= 127)) continue;
    if (event.type === 'noteOff' || velocity === 0) close(channel, noteNumber, at);
    else if (velocity > 0) {
      const key = `${channel}.${noteNumber}`;
      open.set(key, [...(open.get(key) ?? []), at]);
    }
  }
  for (const [key, onsets] of open)
    for (const _ of [...onsets]) {
      const [channel, pitch] = key.split('.').map(Number) as [number, number];
      hanging += 1;
      close(channel, pitch, end);
    }
  if (hanging > 0)
    remarks.push({
      text: `${hanging === 1 ? 'A note is' : `${hanging} notes are`} never ended; ${hanging === 1 ? 'it ends' : 'they end'} with the track.`,
    });
  const lyrics = events.flatMap((e) =>
    e.type === 'lyrics' && e.text.trim() !== '' ? [{ at: e.at, text: e.text }] : [],
  );
  return [...byChannel]
    .filter(([, notes]) => notes.length > 0)
    .map(([channel, notes]) => ({
      name,
      percussion: channel === 9,
      lyrics,
      notes: notes.sort((a, b) => a.onset - b.onset || a.pitch - b.pitch),
    }));
}
