import Button from '@mui/material/Button';
import { Check } from '../controls/Check.tsx';
import type { Capability, CapabilityGroup, Instrument, InstrumentSpec } from '@same-song/core/instruments';

interface CapabilityFieldsProps {
  readonly instrument: Instrument;
  readonly spec: InstrumentSpec;
  readonly onChange: (capability: Capability) => void;
}

/** What this instrument and its player can do, place by place. */
export function CapabilityFields({ instrument, spec, onChange }: CapabilityFieldsProps) {
  return (
    <section>
      <h3>What it and its player can do</h3>
      {instrument.capabilityGroups.length === 0 && (
        <p className="editor-hint soft small">Everything it has can be played.</p>
      )}
      {instrument.capabilityGroups.map((group) => (
        <GroupFields
          key={group.id}
          group={group}
          places={spec.capability[group.id] ?? group.byDefault}
          onChange={(places) => onChange({ ...spec.capability, [group.id]: places })}
        />
      ))}
    </section>
  );
}

/** Longer lists of places are folded away. */
const PLACES_SHOWN = 14;

interface GroupFieldsProps {
  readonly group: CapabilityGroup;
  readonly places: readonly string[];
  readonly onChange: (places: readonly string[]) => void;
}

function GroupFields({ group, places, onChange }: GroupFieldsProps) {
  if (group.places.length === 0) return null;
  const flip = (place: string) =>
    onChange(group.places.filter((p) => (p === place ? !places.includes(p) : places.includes(p))));
  const all = group.places.every((place) => places.includes(place));
  const count = group.places.filter((place) => places.includes(place)).length;
  const fields = (
    <fieldset className="capability row">
      <legend>{group.label}</legend>
      {group.places.map((place) => (
        <Check key={place} label={place} checked={places.includes(place)} onChange={() => flip(place)} />
      ))}
      <Button size="small" variant="text" onClick={() => onChange(all ? [] : group.places)}>
        {all ? 'None' : 'All'}
      </Button>
      <span className="soft small">{group.about}</span>
    </fieldset>
  );
  if (group.places.length <= PLACES_SHOWN) return fields;
  return (
    <details className="capability-many">
      <summary>
        {group.label}: {count} of {group.places.length}
      </summary>
      {fields}
    </details>
  );
}
