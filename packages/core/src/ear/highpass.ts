/** Takes out what is slower than a frequency: steps, hum and wind. Twice two poles of Butterworth; keeps what came before. */
export function highpass(rate: number, hz: number): (samples: Float32Array) => Float32Array {
  const stages = [0.5412, 1.3066].map((quality) => stage(rate, hz, quality));
  return (samples) => {
    const out = Float32Array.from(samples);
    for (const run of stages) run(out);
    return out;
  };
}

function stage(rate: number, hz: number, quality: number): (samples: Float32Array) => void {
  const turn = (2 * Math.PI * Math.min(hz, rate / 4)) / rate;
  const alpha = Math.sin(turn) / (2 * quality);
  const cos = Math.cos(turn);
  const a0 = 1 + alpha;
  const [b0, b1, a1, a2] = [(1 + cos) / 2 / a0, -(1 + cos) / a0, (-2 * cos) / a0, (1 - alpha) / a0];
  let [x1, x2, y1, y2] = [0, 0, 0, 0];
  return (samples) => {
    for (let i = 0; i < samples.length; i += 1) {
      const x = samples[i]!;
      const y = b0 * x + b1 * x1 + b0 * x2 - a1 * y1 - a2 * y2;
      [x2, x1, y2, y1] = [x1, x, y1, y];
      samples[i] = y;
    }
  };
}
