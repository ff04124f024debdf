import { LAYERS } from '@same-song/core/music';
import { SignButton } from '../controls/SignButton.tsx';
import { useShortcuts } from '../frame/shortcuts.ts';
import type { QuestionState } from '../question/useQuestion.ts';

/** Builds a scale up layer by layer: home, the chord’s tones, five notes, the whole, colour notes. */
export function LayerStepper({ state }: { state: QuestionState }) {
  const { question, change, current } = state;
  const step = (by: number) => {
    const at = LAYERS.findIndex((layer) => layer.id === current().question.layer);
    const next = LAYERS[(at + by + LAYERS.length) % LAYERS.length]!;
    change(next.label, { layer: next.id });
  };
  const group = 'The question';
  useShortcuts([
    {
      key: 'l',
      shift: false,
      label: 'Next layer: home, chord, five notes, scale, colour',
      group,
      run: () => step(1),
    },
    { key: 'l', shift: true, label: 'Layer before', group, run: () => step(-1) },
  ]);
  const at = LAYERS.findIndex((layer) => layer.id === question.layer);
  return (
    <span
      className="layers"
      role="group"
      aria-label="Layer"
      title="How much is shown and played: home alone, the chord’s tones, five notes, the whole scale, colour notes too"
    >
      <SignButton label="Layer before" sign="‹" title="Shift L" onClick={() => step(-1)} />
      <span aria-live="polite">
        {LAYERS[at]!.label} <span className="unseen">{`${at + 1} of ${LAYERS.length}`}</span>
      </span>
      <SignButton label="Next layer" sign="›" title="L" onClick={() => step(1)} />
    </span>
  );
}
