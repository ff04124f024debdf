export { ear, hear, UNDECIDED, type HearOptions, type Hearing, type Told } from './hear.ts';
export { notesOf, type HeardFrame, type HeardNote, type NoteFrame } from './notes.ts';
export { fourier, type Fourier } from './fft.ts';
export { ALL_PITCHES, hertz, LISTENING, midiOf, REACH } from './listening.ts';
