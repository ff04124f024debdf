import { useEffect, useState } from 'react';
import { Picklist } from '../controls/Picklist.tsx';
import { chosenMicrophone, chooseMicrophone, mediaDevices, microphones } from './microphones.ts';
import type { Ear } from './useEar.ts';

/** Which microphone is listened to, where there are several. */
export function Microphones({ ear: { state, begin } }: { readonly ear: Ear }) {
  const [list, setList] = useState<readonly { readonly id: string; readonly label: string }[]>([]);
  const [chosen, setChosen] = useState(chosenMicrophone);
  useEffect(() => {
    let here = true;
    const look = () => void microphones().then((found) => here && setList(found));
    look();
    // Their names are only told once one of them may be listened to.
    const devices = mediaDevices();
    devices?.addEventListener('devicechange', look);
    return () => {
      here = false;
      devices?.removeEventListener('devicechange', look);
    };
  }, [state]);
  if (list.length < 2) return null;
  return (
    <Picklist
      label="by"
      value={list.some(({ id }) => id === chosen) ? chosen : list[0]!.id}
      choices={list}
      onChange={(id) => {
        chooseMicrophone(id);
        setChosen(id);
        if (state === 'listening') begin({ kind: 'microphone' });
      }}
    />
  );
}
