import OutlinedInput from '@mui/material/OutlinedInput';
import { useMemo, useState } from 'react';
import { Check } from '../../controls/Check.tsx';
import { Picklist } from '../../controls/Picklist.tsx';
import { pitchChip } from '../../scene/pitchChip.ts';
import { SceneView } from '../../scene/SceneView.tsx';
import { ONLY_PLAIN, type LibraryState } from './useLibrary.ts';

/** Which songs fit: an instrument, what its player can do, the notes somebody knows; and which are here twice. */
export function SongFinder({ library }: { readonly library: LibraryState }) {
  const { on, without, known, degrees, twice, cabinet, instrument, ask, setKnown, wayIds } = library;
  const [drawing, setDrawing] = useState(wayIds.size > 0);
  const techniques = instrument?.family.techniques ?? [];
  const wrong = degrees && !degrees.ok ? degrees.problems[0]!.message : undefined;
  return (
    <div className="song-finder row" role="group" aria-label="What fits">
      <Picklist
        label="Fits on"
        value={on}
        choices={[{ id: '', label: 'anything' }, ...cabinet.map(({ id, name }) => ({ id, label: name }))]}
        onChange={(id) => ask({ on: id, without: '', ways: '' })}
      />
      {techniques.length > 1 && wayIds.size === 0 && (
        <Picklist
          label="played"
          value={without}
          choices={[
            { id: '', label: 'any way it can' },
            { id: ONLY_PLAIN, label: `only with ${techniques[0]!.label}` },
            ...techniques.slice(1).map(({ id, label }) => ({ id, label: `without ${label}` })),
          ]}
          onChange={(id) => ask({ without: id })}
        />
      )}
      {instrument && (
        <Check
          label="only notes I choose"
          checked={drawing}
          onChange={(now) => {
            setDrawing(now);
            if (!now) ask({ ways: '' });
          }}
        />
      )}
      <label className="labelled">
        <span>Degrees a pupil knows</span>
        <OutlinedInput
          size="small"
          value={known}
          placeholder="1 2 3 4 5"
          error={wrong !== undefined}
          title={wrong ?? 'A pupil’s degrees: songs that need no others come first'}
          onChange={(event) => setKnown(event.target.value)}
        />
      </label>
      <Check label="here twice" checked={twice} onChange={(now) => ask({ twice: now ? 'yes' : '' })} />
      {wrong !== undefined && (
        <p className="song-finder-wrong" role="alert">
          {wrong}
        </p>
      )}
      {drawing && instrument && <KnownNotes library={library} />}
    </div>
  );
}

/** The instrument, of which the notes are chosen that somebody knows. */
function KnownNotes({ library }: { readonly library: LibraryState }) {
  const { instrument, wayIds, ask } = library;
  const scene = useMemo(
    () =>
      instrument!.scene((way) => ({
        role: wayIds.has(way.id) ? 'chord' : 'scale',
        ...pitchChip(instrument!, way),
        usable: way.able,
      })),
    [instrument, wayIds],
  );
  const toggle = (id: string) => {
    const next = new Set(wayIds);
    if (!next.delete(id)) next.add(id);
    ask({ ways: [...next].join(',') });
  };
  return (
    <div className="song-finder-drawing">
      <p>
        {wayIds.size === 0
          ? 'Choose the notes that are known; songs that need no others come first.'
          : `${wayIds.size} chosen.`}
      </p>
      <SceneView
        scene={scene}
        label="Notes that are known"
        used={wayIds}
        chosen={wayIds}
        onSelect={toggle}
        walked
      />
    </div>
  );
}
