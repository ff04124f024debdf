import Button from '@mui/material/Button';
import { useState } from 'react';
import { WEIGHT_RANGE } from '@same-song/core/route';
import { Picklist } from '../controls/Picklist.tsx';
import type { QuestionState } from '../question/useQuestion.ts';

/** The weights behind the preference, and the choices of school; a change shows at once. */
export function PreferenceWeights({ state }: { state: QuestionState }) {
  const [shown, setShown] = useState(false);
  const { question, family } = state;
  const preset = family.preferences.find((p) => p.id === question.preferences.preset)!;
  const setWeight = (term: string, label: string, weight: number) => {
    const { [term]: _, ...others } = question.preferences.weights;
    const standing = preset.weights[term] ?? family.terms.find((t) => t.id === term)!.weight;
    const weights = weight === standing ? others : { ...others, [term]: weight };
    state.change(`weight of ${label}`, { preferences: { ...question.preferences, weights } });
  };
  const setOption = (option: string, choice: string) =>
    state.change('way of playing', {
      preferences: {
        ...question.preferences,
        playingOptions: { ...question.preferences.playingOptions, [option]: choice },
      },
    });
  return (
    <div className="weights">
      {family.playingOptions.map((option) => (
        <Picklist
          key={option.id}
          label={option.label}
          value={
            question.preferences.playingOptions[option.id] ??
            preset.playingOptions?.[option.id] ??
            option.options[0]!.id
          }
          choices={option.options}
          onChange={(choice) => setOption(option.id, choice)}
        />
      ))}
      <Button variant="text" size="small" onClick={() => setShown(!shown)} aria-expanded={shown}>
        {shown ? 'Hide the weights' : 'What counts how much'}
      </Button>
      {shown &&
        family.terms.map((term) => {
          const weight = question.preferences.weights[term.id] ?? preset.weights[term.id] ?? term.weight;
          return (
            <WeightRow
              key={`${term.id} ${weight}`}
              label={term.label}
              about={term.about}
              weight={weight}
              onSet={(next) => setWeight(term.id, term.label, next)}
            />
          );
        })}
    </div>
  );
}

interface WeightRowProps {
  readonly label: string;
  readonly about: string;
  readonly weight: number;
  readonly onSet: (weight: number) => void;
}

/** One weight; it is set when the slider is let go, so that a drag is one change to undo. */
function WeightRow({ label, about, weight, onSet }: WeightRowProps) {
  const [value, setValue] = useState(weight);
  const commit = () => {
    if (value !== weight) onSet(value);
  };
  return (
    <label className="weights-row" title={about}>
      <span>{label}</span>
      <input
        type="range"
        min={WEIGHT_RANGE.lowest}
        max={WEIGHT_RANGE.highest}
        step={0.1}
        value={value}
        onChange={(event) => setValue(Number(event.target.value))}
        onPointerUp={commit}
        onKeyUp={commit}
        onBlur={commit}
      />
      <output>{value.toFixed(1)}</output>
    </label>
  );
}
