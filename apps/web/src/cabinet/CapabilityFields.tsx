import Button from '@mui/material/Button';
import type { Capability, CapabilityGroup, Instrument, InstrumentSpec } from '@same-song/core';

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
  return (
    <fieldset className="capability">
      <legend>{group.label}</legend>
      {group.places.map((place) => (
        <label key={place}>
          <input type="checkbox" checked={places.includes(place)} onChange={() => flip(place)} />
          {place}
        </label>
      ))}
      <Button size="small" variant="text" onClick={() => onChange(all ? [] : group.places)}>
        {all ? 'None' : 'All'}
      </Button>
      <span className="capability-about">{group.about}</span>
    </fieldset>
  );
}
