import { TENSION_LIMITS, TENSION_RANGES, type TensionLimits } from '@same-song/core/song';
import { Disclosure } from '../../controls/Disclosure.tsx';
import { NumberField } from '../../controls/NumberField.tsx';
import { LinkButton } from '../../controls/LinkButton.tsx';
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
  const isUsual = FIELDS.every(([field]) => tension[field] === TENSION_LIMITS[field]);
  return (
    <Disclosure className="tension-limits" summary="When it grates">
      {FIELDS.map(([field, label, unit, step]) => (
        <NumberField
          key={field}
          label={label}
          unit={unit}
          value={tension[field]}
          least={TENSION_RANGES[field].least}
          most={TENSION_RANGES[field].most}
          step={step}
          onChange={(value) => change({ tension: { ...tension, [field]: value } })}
        />
      ))}
      {!isUsual && <LinkButton onClick={() => change({ tension: TENSION_LIMITS })}>as usual</LinkButton>}
    </Disclosure>
  );
}
