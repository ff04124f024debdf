import type * as ToneModule from 'tone';

/** A wave that goes on at a pitch. */
export type Wave =
  { readonly type: 'custom'; readonly partials: number[] } | { readonly type: 'sine' | 'triangle' };

/** A stroke that is made beforehand. @returns samples at so many a second */
export interface Stroke {
  readonly type: 'samples';
  readonly samplesOf: (rate: number, hz: number) => Float32Array<ArrayBuffer>;
}

/** What one voice of a sound is made of; loudness in decibels. */
export interface VoiceOptions<Source extends Wave | Stroke = Wave | Stroke> {
  readonly oscillator: Source;
  /** In seconds; sustain from 0 to 1. */
  readonly envelope: {
    readonly attack: number;
    readonly decay: number;
    readonly sustain: number;
    readonly release: number;
  };
  readonly volume: number;
}

/** Voices of one sound. */
export interface Voices {
  /** Strikes a note. Times and lengths in seconds on the clock of the sound, volume from 0 to 1. */
  strike(hz: number, seconds: number, time: number, volume: number): void;
  /** Fades out what sounds, so that it does not crack, and is gone. */
  end(): void;
}

/** Time in which it fades at its end, in seconds. */
const FADE = 0.02;
/** The time constant of what dies away in so many seconds, so that nothing is left to crack. */
const constantOf = (seconds: number) => Math.log(seconds + 1) / Math.log(200);

/**
 * Voices that strike each note at exactly its time, however long before they are told: each note is laid out on the clock
 * of the sound at once, where the library's own choir waits with a timer that a busy page makes late.
 * @param through what the sound goes through on its way out
 */
export function voicesOf(
  Tone: typeof ToneModule,
  { oscillator: wanted, envelope, volume: decibels }: VoiceOptions,
  through?: ToneModule.ToneAudioNode,
): Voices {
  const context = Tone.getContext();
  const out = context.createGain();
  Tone.connect(out, through ?? Tone.getDestination());
  const level = 10 ** (decibels / 20);
  const sourceOf = wanted.type === 'samples' ? sampled(context, wanted) : oscillating(context, wanted);
  const sounding = new Set<AudioScheduledSourceNode>();
  return {
    strike(hz, seconds, time, volume) {
      const source = sourceOf(hz);
      const loudness = context.createGain();
      shape(loudness.gain, { time, seconds, peak: level * volume }, envelope);
      source.connect(loudness).connect(out);
      source.start(time);
      source.stop(time + seconds + envelope.release);
      sounding.add(source);
      source.onended = () => {
        sounding.delete(source);
        loudness.disconnect();
      };
    },
    end() {
      const now = Tone.immediate();
      out.gain.setValueAtTime(1, now);
      out.gain.linearRampToValueAtTime(0, now + FADE);
      for (const source of sounding) source.stop(now + FADE);
      globalThis.setTimeout(() => {
        out.disconnect();
        through?.dispose();
      }, 5000 * FADE);
    },
  };
}

type Context = Pick<
  BaseAudioContext,
  'createBuffer' | 'createBufferSource' | 'createOscillator' | 'createPeriodicWave' | 'sampleRate'
>;

function oscillating(context: Context, wanted: Wave) {
  const wave =
    wanted.type === 'custom'
      ? context.createPeriodicWave(
          new Float32Array(wanted.partials.length + 1),
          Float32Array.of(0, ...wanted.partials),
        )
      : undefined;
  return (hz: number): AudioScheduledSourceNode => {
    const oscillator = context.createOscillator();
    if (wave) oscillator.setPeriodicWave(wave);
    else if (wanted.type !== 'custom') oscillator.type = wanted.type;
    oscillator.frequency.value = hz;
    return oscillator;
  };
}

/** Made once for each pitch. */
function sampled(context: Context, { samplesOf }: Stroke) {
  const made = new Map<number, AudioBuffer>();
  const make = (hz: number) => {
    const samples = samplesOf(context.sampleRate, hz);
    const buffer = context.createBuffer(1, samples.length, context.sampleRate);
    buffer.copyToChannel(samples, 0);
    made.set(hz, buffer);
    return buffer;
  };
  return (hz: number): AudioScheduledSourceNode => {
    const source = context.createBufferSource();
    source.buffer = made.get(hz) ?? make(hz);
    return source;
  };
}

/** The loudness of a note in time: up to its peak, down to what is held, and away. */
function shape(
  loudness: AudioParam,
  { time, seconds, peak }: { readonly time: number; readonly seconds: number; readonly peak: number },
  { attack, decay, sustain, release }: VoiceOptions['envelope'],
): void {
  const full = time + Math.min(attack, seconds / 2);
  loudness.setValueAtTime(0, time);
  loudness.linearRampToValueAtTime(peak, full);
  loudness.setTargetAtTime(peak * sustain, full, constantOf(decay));
  loudness.setTargetAtTime(0, time + seconds, constantOf(release));
}
