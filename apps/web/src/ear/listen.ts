import type { HearOptions } from '@same-song/core/ear';
import type { ListeningRequest, EarUpdate } from './earWorker.ts';
import { chosenMicrophone, mediaDevices } from './microphones.ts';

/** Where sound comes from: the room, a file or a player that is simulated, all through the same chain. */
export type Source =
  | { readonly kind: 'microphone' }
  | { readonly kind: 'file'; readonly file: File }
  /** @param make samples at a rate */
  | { readonly kind: 'simulated'; readonly make: (rate: number) => Float32Array };

/** What runs while it listens. */
export interface Listening {
  /** Samples a second. */
  readonly rate: number;
  /** What is listened by, as the device calls it; undefined for a file. */
  readonly by: string | undefined;
  /** On the clock of the sound, when the first sample was heard. */
  readonly context: AudioContext;
  end(): void;
}

/** Why it cannot be listened, in words for the page. */
export class CannotListen extends Error {
  override name = 'CannotListen';
}

const WORDS: Readonly<Record<string, string>> = {
  NotAllowedError: 'The microphone is refused. Allow it for this page beside the address, and begin again.',
  NotFoundError: 'There is no microphone on this device. Plug one in, or listen to a file.',
  NotReadableError: 'Another program holds the microphone. Close it there, and begin again.',
};

/**
 * Begins to listen. Nothing is kept or sent: samples go to a worker of this page and are forgotten.
 * @throws CannotListen with the reason in words
 */
export async function listen(
  source: Source,
  options: Required<HearOptions>,
  {
    onUpdate,
    onEnd,
  }: {
    readonly onUpdate: (update: EarUpdate) => void;
    /** @param gone the microphone was taken away; a file has just come to its end */
    readonly onEnd: (gone: boolean) => void;
  },
): Promise<Listening> {
  const stream = source.kind === 'microphone' ? await microphone() : undefined;
  const context = new AudioContext();
  const worker = new Worker(new URL('./earWorker.ts', import.meta.url), { type: 'module' });
  const end = () => {
    stream?.getTracks().forEach((track) => track.stop());
    worker.terminate();
    if (context.state !== 'closed') void context.close();
  };
  try {
    await context.audioWorklet.addModule(new URL('./copier.js', import.meta.url).href);
    const node = stream
      ? context.createMediaStreamSource(stream)
      : await bufferOf(context, source as Exclude<Source, { kind: 'microphone' }>);
    const copier = new AudioWorkletNode(context, 'copier', { numberOfOutputs: 0, channelCount: 1 });
    const { port1, port2 } = new MessageChannel();
    copier.port.postMessage({ out: port1 }, [port1]);
    const asked: ListeningRequest = { rate: context.sampleRate, options, port: port2 };
    worker.postMessage(asked, [port2]);
    worker.onmessage = ({ data }: MessageEvent<EarUpdate>) => onUpdate(data);
    stream?.getTracks().forEach((track) => (track.onended = () => onEnd(true)));
    await context.resume();
    node.connect(copier);
    if (node instanceof AudioBufferSourceNode) {
      node.connect(context.destination);
      // What is decided late is waited for.
      node.onended = () => globalThis.setTimeout(() => onEnd(false), 400);
      node.start();
    }
  } catch (error) {
    end();
    throw error instanceof CannotListen
      ? error
      : new CannotListen('The sound of this browser cannot be listened to.', { cause: error });
  }
  return { rate: context.sampleRate, by: stream?.getAudioTracks()[0]?.label, context, end };
}

async function microphone(): Promise<MediaStream> {
  const devices = mediaDevices();
  if (!devices)
    throw new CannotListen('A microphone is only given to a page over https or on this device itself.');
  try {
    return await devices.getUserMedia({ audio: asked(chosenMicrophone()) });
  } catch (error) {
    const { name = '' } = error as { readonly name?: string };
    throw new CannotListen(WORDS[name] ?? 'The microphone cannot be opened.', { cause: error });
  }
}

/** What is heard shall come as it is: no echo, noise or loudness of it is mended. */
function asked(id: string): MediaTrackConstraints {
  return {
    echoCancellation: false,
    noiseSuppression: false,
    autoGainControl: false,
    ...(id !== '' && { deviceId: { ideal: id } }),
  };
}

async function bufferOf(
  context: AudioContext,
  source: Exclude<Source, { kind: 'microphone' }>,
): Promise<AudioBufferSourceNode> {
  const node = context.createBufferSource();
  if (source.kind === 'simulated') {
    const samples = Float32Array.from(source.make(context.sampleRate));
    node.buffer = context.createBuffer(1, Math.max(1, samples.length), context.sampleRate);
    node.buffer.copyToChannel(samples, 0);
    return node;
  }
  try {
    node.buffer = await context.decodeAudioData(await source.file.arrayBuffer());
  } catch (error) {
    throw new CannotListen(`${source.file.name} is no sound that this browser can read.`, { cause: error });
  }
  return node;
}
