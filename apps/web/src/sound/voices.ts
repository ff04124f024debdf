/** What a voice is made of: a wave at a pitch, noise above a frequency in Hz, or a stroke made beforehand. */
export type Source =
  | { readonly type: 'custom'; readonly partials: readonly number[] }
  | { readonly type: 'sine' | 'triangle' }
  | { readonly type: 'noise'; readonly above: number }
  | {
      readonly type: 'samples';
      /** @returns samples at so many a second */
      readonly samplesOf: (rate: number, hz: number) => Float32Array<ArrayBuffer>;
    };

/** One voice of a sound. */
export interface VoiceOptions {
  readonly source: Source;
  /** In seconds; sustain from 0 to 1. */
  readonly envelope: {
    readonly attack: number;
    readonly decay: number;
    readonly sustain: number;
    readonly release: number;
  };
  /** In decibels. */
  readonly volume: number;
  /** How far its pitch wavers to each side, in cents; steady when left out. */
  readonly trembleCents?: number;
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
/** How often a trembling pitch wavers, a second. */
const TREMBLES = 5;
/** The time constant of what dies away in so many seconds, so that nothing is left to crack. */
const constantOf = (seconds: number) => Math.log(seconds + 1) / Math.log(200);

/** Voices that lay each note out on the clock of the sound at once, so that it begins at exactly its time. */
export function voicesOf(context: BaseAudioContext, options: VoiceOptions): Voices {
  const { source: wanted, envelope, volume: decibels, trembleCents = 0 } = options;
  const out = context.createGain();
  out.connect(context.destination);
  const level = 10 ** (decibels / 20);
  const sourceOf = sources(context, wanted);
  const tremble = trembleCents > 0 ? trembling(context, trembleCents) : undefined;
  const sounding = new Set<AudioScheduledSourceNode>();
  return {
    strike(hz, seconds, time, volume) {
      const source = sourceOf(hz);
      const loudness = context.createGain();
      shape(loudness.gain, { time, seconds, peak: level * volume }, envelope);
      tremble?.connect(source.detune);
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
      const now = context.currentTime;
      out.gain.setValueAtTime(1, now);
      out.gain.linearRampToValueAtTime(0, now + FADE);
      for (const source of sounding) source.stop(now + FADE);
      globalThis.setTimeout(() => out.disconnect(), 5000 * FADE);
    },
  };
}

type PitchedSource = OscillatorNode | AudioBufferSourceNode;

/** Makes a source for each note of a pitch in Hz. */
function sources(context: BaseAudioContext, wanted: Source): (hz: number) => PitchedSource {
  if (wanted.type === 'samples') return sampled(context, wanted.samplesOf);
  if (wanted.type === 'noise') return noisy(context, wanted.above);
  const wave =
    wanted.type === 'custom'
      ? context.createPeriodicWave(
          new Float32Array(wanted.partials.length + 1),
          Float32Array.of(0, ...wanted.partials),
        )
      : undefined;
  return (hz) => {
    const oscillator = context.createOscillator();
    if (wave) oscillator.setPeriodicWave(wave);
    else if (wanted.type !== 'custom') oscillator.type = wanted.type;
    oscillator.frequency.value = hz;
    return oscillator;
  };
}

/** Made once for each pitch. */
function sampled(
  context: BaseAudioContext,
  samplesOf: (rate: number, hz: number) => Float32Array<ArrayBuffer>,
): (hz: number) => PitchedSource {
  const made = new Map<number, AudioBuffer>();
  const make = (hz: number) => {
    const buffer = bufferOf(context, samplesOf(context.sampleRate, hz));
    made.set(hz, buffer);
    return buffer;
  };
  return (hz) => {
    const source = context.createBufferSource();
    source.buffer = made.get(hz) ?? make(hz);
    return source;
  };
}

/** Noise with its lower part taken away by differences of neighbours, which leaves the more the higher it is. */
function noisy(context: BaseAudioContext, above: number): (hz: number) => PitchedSource {
  const rate = context.sampleRate;
  const samples = new Float32Array(rate);
  // A high pass of the first order.
  const kept = 1 / (1 + (2 * Math.PI * above) / rate);
  let before = 0;
  for (let i = 0, out = 0; i < samples.length; i += 1) {
    const white = 2 * Math.random() - 1;
    out = kept * (out + white - before);
    samples[i] = out;
    before = white;
  }
  const buffer = bufferOf(context, samples);
  return () => {
    const source = context.createBufferSource();
    source.buffer = buffer;
    source.loop = true;
    return source;
  };
}

function bufferOf(context: BaseAudioContext, samples: Float32Array<ArrayBuffer>): AudioBuffer {
  const buffer = context.createBuffer(1, samples.length, context.sampleRate);
  buffer.copyToChannel(samples, 0);
  return buffer;
}

/** What makes a pitch waver as two reeds do. */
function trembling(context: BaseAudioContext, cents: number): AudioNode {
  const wave = context.createOscillator();
  wave.frequency.value = TREMBLES;
  const depth = context.createGain();
  depth.gain.value = cents;
  wave.connect(depth);
  wave.start();
  return depth;
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
