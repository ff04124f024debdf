import { QUARTER, scaleById, type Ticks } from '@same-song/core/music';
import { fifthsOfSongKey, played, unfoldedTimes, type PlayedNote, type Song } from '@same-song/core/song';
import { writeMidi as encode, type MidiEvent } from 'midi-file';

/** Ticks of the file to a quarter: ours are whole multiples of it, but for the last bits of rare tuplets. */
const PER_QUARTER = 840;

const VELOCITY = 80;

/** A song as it sounds, repeats played out: a Standard MIDI File of type 1, facts in the first track. */
export function writeMidi(song: Song): Uint8Array {
  const { notes } = played(song, { percussion: true });
  const tracks = song.parts
    .filter((part) => notes.some((note) => note.part === part.id))
    .map((part, i) => {
      // Channel 10 is for percussion alone.
      const channel = part.percussion ? 9 : [0, 1, 2, 3, 4, 5, 6, 7, 8, 10, 11, 12, 13, 14, 15][i % 15]!;
      return trackOf(
        part.name,
        channel,
        notes.filter((note) => note.part === part.id),
      );
    });
  const bytes = encode({
    header: { format: 1, numTracks: tracks.length + 1, ticksPerBeat: PER_QUARTER },
    tracks: [factsOf(song), ...tracks],
  });
  return Uint8Array.from(bytes);
}

/** Each kind of event without its distance from the one before. */
type Undated<Event> = Event extends MidiEvent ? Omit<Event, 'deltaTime'> : never;

interface Timed {
  readonly at: Ticks;
  readonly event: Undated<MidiEvent>;
}

function factsOf(song: Song): MidiEvent[] {
  const { at } = unfoldedTimes(song);
  const minor = (scale: string) => {
    const found = scaleById(scale);
    return found.ok && found.value.semitones.includes(3) && !found.value.semitones.includes(4);
  };
  const events: Timed[] = [
    { at: 0, event: { meta: true, type: 'trackName', text: song.title } },
    ...at(song.metres).map(({ at: time, change }): Timed => ({
      at: time,
      event: {
        meta: true,
        type: 'timeSignature',
        numerator: change.count,
        denominator: change.unit,
        metronome: 24,
        thirtyseconds: 8,
      },
    })),
    ...at(song.keys).map(({ at: time, change }): Timed => ({
      at: time,
      event: {
        meta: true,
        type: 'keySignature',
        key: fifthsOfSongKey(change),
        scale: minor(change.scale) ? 1 : 0,
      },
    })),
    ...at(song.tempos).map(({ at: time, change }): Timed => ({
      at: time,
      event: {
        meta: true,
        type: 'setTempo',
        microsecondsPerBeat: Math.round((6e7 / change.perMinute) * (QUARTER / change.beat)),
      },
    })),
  ];
  return inDeltas(events);
}

function trackOf(name: string, channel: number, notes: readonly PlayedNote[]): MidiEvent[] {
  const events: Timed[] = [
    { at: 0, event: { meta: true, type: 'trackName', text: name } },
    ...notes.flatMap(({ pitch, onset, length }): Timed[] => [
      {
        at: onset,
        event: { type: 'noteOn', channel, noteNumber: pitch, velocity: VELOCITY },
      },
      {
        at: onset + length,
        event: { type: 'noteOff', channel, noteNumber: pitch, velocity: 0 },
      },
    ]),
  ];
  return inDeltas(events);
}

/** In order of time, what ends before what begins. */
function inDeltas(events: readonly Timed[]): MidiEvent[] {
  const rank = ({ event }: Timed) => (event.type === 'noteOff' ? 0 : event.type === 'noteOn' ? 2 : 1);
  const sorted = [...events].sort((a, b) => a.at - b.at || rank(a) - rank(b));
  let before = 0;
  const timed = sorted.map(({ at, event }) => {
    const time = Math.round((at * PER_QUARTER) / QUARTER);
    const deltaTime = time - before;
    before = time;
    return { ...event, deltaTime };
  });
  return [...timed, { deltaTime: 0, meta: true, type: 'endOfTrack' }];
}
