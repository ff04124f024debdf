import Button from '@mui/material/Button';
import { useState } from 'react';
import { WEIGHT_RANGE } from '@same-song/core';
import type { MapState } from './useMapState.ts';

/** The weights behind the preference, and the choices of school; a change shows at once. */
export function PreferenceWeights({ state }: { state: MapState }) {
  const [shown, setShown] = useState(false);
  const { ask, family } = state;
  const preset = family.preferences.find((p) => p.id === ask.preferences.preset)!;
  const setWeight = (part: string, label: string, weight: number) => {
    const { [part]: _, ...others } = ask.preferences.weights;
    const standing = preset.weights[part] ?? family.parts.find((p) => p.id === part)?.weight ?? 0;
    const weights = weight === standing ? others : { ...others, [part]: weight };
    state.change(`weight of ${label}`, { preferences: { ...ask.preferences, weights } });
  };
  const setHabit = (habit: string, option: string) =>
    state.change('habit', {
      preferences: { ...ask.preferences, habits: { ...ask.preferences.habits, [habit]: option } },
    });
  return (
    <div className="weights">
      {family.habits.map((habit) => (
        <label key={habit.id} className="weights-habit">
          {habit.label}
          <select
            value={ask.preferences.habits[habit.id] ?? preset.habits?.[habit.id] ?? habit.options[0]!.id}
            onChange={(event) => setHabit(habit.id, event.target.value)}
          >
            {habit.options.map((option) => (
              <option key={option.id} value={option.id}>
                {option.label}
              </option>
            ))}
          </select>
        </label>
      ))}
      <Button variant="text" size="small" onClick={() => setShown(!shown)} aria-expanded={shown}>
        {shown ? 'Hide the weights' : 'What counts how much'}
      </Button>
      {shown &&
        family.parts.map((part) => {
          const weight = ask.preferences.weights[part.id] ?? preset.weights[part.id] ?? part.weight ?? 0;
          return (
            <WeightRow
              key={`${part.id} ${weight}`}
              label={part.label}
              about={part.about}
              weight={weight}
              onSet={(next) => setWeight(part.id, part.label, next)}
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
