import Button from '@mui/material/Button';
import { useNavigate, useSearchParams } from 'react-router';
import { FAMILY_IDS, families, specFromPreset, type FamilyId } from '@same-song/core';
import { instruments } from '../api/records.ts';
import { notify } from '../frame/notice.ts';
import { remember } from '../frame/undo.ts';

/** A kind of instrument, then its presets, one click each. */
export function AddInstrument({ empty }: { empty: boolean }) {
  const [params, setParams] = useSearchParams();
  const family = FAMILY_IDS.find((id) => id === params.get('kind')) ?? FAMILY_IDS[0]!;
  return (
    <div className="add">
      <h2>{empty ? 'Your cabinet is empty. What do you have?' : 'What else do you have?'}</h2>
      <div className="add-families" role="tablist" aria-label="Kind of instrument">
        {FAMILY_IDS.map((id) => (
          <button
            key={id}
            type="button"
            role="tab"
            aria-selected={id === family}
            className="add-family"
            onClick={() => setParams({ kind: id }, { replace: true })}
          >
            {families[id].label}
          </button>
        ))}
      </div>
      <p>Choose what comes nearest. Everything about it can be changed on the next page.</p>
      <FamilyPresets key={family} id={family} />
    </div>
  );
}

function FamilyPresets({ id }: { id: FamilyId }) {
  const navigate = useNavigate();
  const add = instruments.useAdd();
  const bin = instruments.useBin();
  const restore = instruments.useRestore();
  const family = families[id];
  const groups = [...new Set(family.presets.map((preset) => preset.group))];
  const choose = (preset: string) =>
    add.mutate(specFromPreset(id, preset), {
      onSuccess: (record) => {
        remember({
          label: `adding ${record.name}`,
          undo: async () => {
            await bin.mutateAsync(record);
            await navigate('/cabinet');
          },
          redo: () => restore.mutateAsync(record.id),
        });
        notify(`${record.name} is in the cabinet.`);
        void navigate(`/cabinet/${record.id}`);
      },
      onError: (error) => notify(error.message, { kind: 'error' }),
    });
  return (
    <section aria-label={family.label}>
      {groups.map((group) => (
        <div key={group} className="add-group" role="group" aria-label={group}>
          <span>{group}</span>
          <div>
            {family.presets
              .filter((preset) => preset.group === group)
              .map((preset) => (
                <Button
                  key={preset.id}
                  variant="outlined"
                  disabled={add.isPending}
                  onClick={() => choose(preset.id)}
                  aria-label={`Add a ${preset.label} ${family.label}`}
                >
                  {preset.label}
                </Button>
              ))}
          </div>
        </div>
      ))}
    </section>
  );
}
