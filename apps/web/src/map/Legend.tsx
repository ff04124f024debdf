import type { ReactNode } from 'react';
import { chipShape, type Scene } from '@same-song/core/instruments';
import type { Role } from '@same-song/core/music';
import { SceneView } from '../scene/SceneView.tsx';

const W = 13;
const H = 7.4;

/** One chip drawn as the instrument's drawing draws it, so that the legend can never differ from it. */
function sample(role: Role, usable: boolean): Scene {
  const chip = { id: 'sample', label: role, role, usable, degree: '', note: '' };
  return {
    title: role,
    widthMm: W + 1,
    heightMm: H + 1,
    shapes: [{ kind: 'group', shapes: chipShape({ ...chip, x: 0.5, y: 0.5, width: W, height: H }).shapes }],
  };
}

const ENTRIES: readonly { readonly text: string; readonly about?: string; readonly scene: Scene }[] = [
  { text: 'home', scene: sample('home', true) },
  { text: 'chord tone', about: 'In the chord that is asked over', scene: sample('chord', true) },
  { text: 'in the scale', scene: sample('scale', true) },
  {
    text: 'colour note',
    about: 'Not in the scale, but good when short and led on by a step',
    scene: sample('colour', true),
  },
  { text: 'outside', about: 'Not in the scale: leave it out', scene: sample('outside', true) },
  {
    text: 'not here',
    about: 'In the scale, but not possible on this instrument or for this player yet',
    scene: sample('scale', false),
  },
];

export function Legend({ children }: { children?: ReactNode }) {
  return (
    <ul className="legend row bare" aria-label="Legend">
      {ENTRIES.map(({ text, about, scene }) => (
        <li key={text} title={about}>
          <SceneView scene={scene} label={text} />
          {text}
        </li>
      ))}
      <li>
        <span className="legend-used" /> in the line
      </li>
      {children && <li className="legend-more">{children}</li>}
    </ul>
  );
}
