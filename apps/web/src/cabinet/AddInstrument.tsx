import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import Button from '@mui/material/Button';
import { useNavigate } from 'react-router';
import { withArticle } from '@same-song/core';
import {
  FAMILY_IDS,
  families,
  specFromLayout,
  specFromPreset,
  type FamilyId,
  type InstrumentSpec,
} from '@same-song/core/instruments';
import { LinkButton } from '../controls/LinkButton.tsx';
import { instruments, layouts } from '../api/records.ts';
import { useRecordActions } from '../frame/useRecordActions.ts';
import { useLink } from '../frame/useLink.ts';

/** A kind of instrument, then its presets, one click each. */
export function AddInstrument({ empty }: { empty: boolean }) {
  const { params, current, replace } = useLink();
  const family = FAMILY_IDS.find((id) => id === params.get('kind')) ?? FAMILY_IDS[0]!;
  const show = (kind: FamilyId) => {
    const link = current();
    link.set('kind', kind);
    replace(link);
  };
  return (
    <div className="add">
      <h2>{empty ? 'Your cabinet is empty. What do you have?' : 'What else do you have?'}</h2>
      <Tabs
        className="add-families"
        value={family}
        aria-label="Kind of instrument"
        onChange={(_, kind: FamilyId) => show(kind)}
      >
        {FAMILY_IDS.map((id) => (
          <Tab
            key={id}
            value={id}
            id={`family-tab-${id}`}
            aria-controls={id === family ? 'family-presets' : undefined}
            label={families[id].label}
          />
        ))}
      </Tabs>
      <p>Choose what comes nearest. Everything about it can be changed on the next page.</p>
      <div id="family-presets" role="tabpanel" aria-labelledby={`family-tab-${family}`}>
        <FamilyPresets key={family} id={family} />
      </div>
    </div>
  );
}

function FamilyPresets({ id }: { id: FamilyId }) {
  const navigate = useNavigate();
  const { keep, busy } = useRecordActions(instruments);
  const family = families[id];
  const groups = [...new Set(family.presets.map((preset) => preset.group))];
  const choose = (spec: InstrumentSpec) =>
    keep(spec, {
      label: (record) => `adding ${record.name}`,
      notice: (record) => `${record.name} is in the cabinet.`,
      onKept: (record) => void navigate(`/cabinet/${record.id}`),
      onUndone: () => navigate('/cabinet'),
    });
  return (
    <section role="tabpanel" aria-label={family.label}>
      <OwnLayouts id={id} busy={busy} onChoose={choose} />
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
                  disabled={busy}
                  onClick={() => choose(specFromPreset(id, preset.id))}
                  aria-label={`Add ${withArticle(`${preset.label} ${family.label}`)}`}
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

interface OwnLayoutsProps {
  readonly id: FamilyId;
  readonly busy: boolean;
  readonly onChoose: (spec: InstrumentSpec) => void;
}

/** Layouts of one's own, kept from an instrument's page. */
function OwnLayouts({ id, busy, onChoose }: OwnLayoutsProps) {
  const { data } = layouts.useList();
  const { moveToBin } = useRecordActions(layouts);
  const own = data?.filter((record) => record.family === id) ?? [];
  if (own.length === 0) return null;
  return (
    <div className="add-group" role="group" aria-label="Layouts of your own">
      <span>Layouts of your own</span>
      <div>
        {own.map((record) => (
          <span key={record.id} className="add-own">
            <Button
              variant="outlined"
              disabled={busy}
              onClick={() => onChoose({ ...specFromLayout(id, record.layout), name: record.name })}
              aria-label={`Add ${record.name}`}
            >
              {record.name}
            </Button>
            <LinkButton
              onClick={() => moveToBin(record)}
              label={`Put the layout ${record.name} into the bin`}
            >
              into the bin
            </LinkButton>
          </span>
        ))}
      </div>
    </div>
  );
}
