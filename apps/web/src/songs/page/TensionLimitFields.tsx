import { TENSION_LIMITS, TENSION_RANGES, type TensionLimits } from '@same-song/core';
import { useSettings } from '../../api/settings.ts';

const FIELDS: readonly (readonly [keyof TensionLimits, string, string, number])[] = [
  ['heldBeats', 'A note is held from', 'beats on', 0.25],
  ['step', 'It resolves by a step of at most', 'semitones', 1],
  ['gapBeats', 'after a silence of at most', 'beats', 0.25],
];

/** When a note against its chord grates, as the teacher hears it; the same for every song. */
export function TensionLimitFields() {
  const { settings, change } = useSettings();
  const { tension } = settings;
  const set = (field: keyof TensionLimits, value: number) => {
    const { least, most } = TENSION_RANGES[field];
    if (value >= least && value <= most) change({ tension: { ...tension, [field]: value } });
  };
  const isUsual = FIELDS.every(([field]) => tension[field] === TENSION_LIMITS[field]);
  return (
    <details className="tension-limits">
      <summary>When it grates</summary>
      {FIELDS.map(([field, before, after, step]) => (
        <label key={field}>
          {before}{' '}
          <input
            type="number"
            min={TENSION_RANGES[field].least}
            max={TENSION_RANGES[field].most}
            step={step}
            defaultValue={tension[field]}
            key={tension[field]}
            onBlur={(event) => set(field, event.target.valueAsNumber)}
            onKeyDown={(event) => event.key === 'Enter' && set(field, event.currentTarget.valueAsNumber)}
          />{' '}
          {after}
        </label>
      ))}
      {!isUsual && (
        <button type="button" className="link" onClick={() => change({ tension: TENSION_LIMITS })}>
          as usual
        </button>
      )}
    </details>
  );
}
