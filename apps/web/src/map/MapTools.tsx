import Button from '@mui/material/Button';
import { useState } from 'react';
import type { NamingStyle } from '@same-song/core/music';
import { NAMINGS } from '@same-song/core/records';
import type { MapView } from '@same-song/core/route';
import { lazyPart } from '../frame/lazyPart.tsx';
import { dialectOf } from '../api/settings.ts';
import { Check } from '../controls/Check.tsx';
import { TempoField } from '../controls/TempoField.tsx';
import { Picklist } from '../controls/Picklist.tsx';
import { CompareButton } from './CompareButton.tsx';
import { KeepQuestion } from './KeepQuestion.tsx';
import type { MapSounds } from './useMapSounds.ts';
import { usePractiseLine } from './usePractiseLine.ts';
import type { QuestionState } from '../question/useQuestion.ts';

const FilesMenu = lazyPart('The list of files', async () => (await import('./FilesMenu.tsx')).FilesMenu);

const NAMING_WORDS: Readonly<Record<NamingStyle, string>> = {
  key: 'as in the key',
  simple: 'plain names',
  sharps: 'sharps only',
};

const NAMING_CHOICES = NAMINGS.map((id) => ({ id, label: NAMING_WORDS[id] }));

interface MapToolsProps {
  readonly state: QuestionState;
  readonly view: MapView;
  readonly title: string;
  readonly sounds: MapSounds;
}

/** Hearing, writing habits, keeping, paper and files. */
export function MapTools({ state, view, title, sounds }: MapToolsProps) {
  const { player } = sounds;
  const { settings, family, changeSettings } = state;
  const practise = usePractiseLine(state, title);
  const [files, setFiles] = useState<HTMLElement | undefined>(undefined);
  return (
    <div className="map-tools row" role="toolbar" aria-label="This map">
      <Button variant="contained" onClick={player.toggle} title="Space">
        {player.playing ? 'Stop' : 'Play'}
      </Button>
      <TempoField tempo={sounds.tempo} onTempo={sounds.setTempo} />
      <Picklist
        label="Tab"
        silent
        value={dialectOf(settings, family)}
        choices={family.dialects}
        onChange={(dialect) => changeSettings({ dialects: { ...settings.dialects, [family.id]: dialect } })}
      />
      <Picklist
        label="Note names"
        silent
        title="Note names: as the key spells them; plain, without F♭ and double signs; or sharps only"
        value={settings.naming}
        choices={NAMING_CHOICES}
        onChange={(naming) => changeSettings({ naming })}
      />
      <span className="map-tools-gap" />
      {view.drones.length > 0 && (
        <Check label="drones" checked={sounds.hasDrones} onChange={sounds.setHasDrones} />
      )}
      <CompareButton state={state} />
      <KeepQuestion state={state} title={title} />
      <Button variant="text" onClick={() => window.print()}>
        Print
      </Button>
      <Button variant="text" aria-haspopup="menu" onClick={(event) => setFiles(event.currentTarget)}>
        Files
      </Button>
      {files && (
        <FilesMenu
          view={view}
          question={state.question}
          title={title}
          onPractise={practise}
          anchor={files}
          onClose={() => setFiles(undefined)}
        />
      )}
    </div>
  );
}
