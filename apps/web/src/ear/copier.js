/** Runs in the sound's own thread and only copies: pieces of the first channel go to the port that it was given. */
const PIECE = 1024;

class Copier extends AudioWorkletProcessor {
  constructor() {
    super();
    this.piece = new Float32Array(PIECE);
    this.filled = 0;
    this.port.onmessage = ({ data }) => {
      this.out = data.out;
    };
  }

  process([[samples]]) {
    if (!samples || !this.out) return true;
    for (let i = 0; i < samples.length; i += 1) {
      this.piece[this.filled] = samples[i];
      this.filled += 1;
      if (this.filled < PIECE) continue;
      this.out.postMessage(this.piece, [this.piece.buffer]);
      this.piece = new Float32Array(PIECE);
      this.filled = 0;
    }
    return true;
  }
}

registerProcessor('copier', Copier);
