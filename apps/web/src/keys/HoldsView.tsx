import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useMemo, useState } from 'react';
import { counted } from '@same-song/core';
import type { AirNames } from '@same-song/core/instruments';
import { chordSymbol, keyOf, parseNote, scaleById, triadsOf, type Key } from '@same-song/core/music';
import { readChartChord, type ChordChart, type ChordHold } from '@same-song/core/route';
import { dialectOf } from '../api/settings.ts';
import { useChordChart } from '../compute/compute.ts';
import { FigureTools } from '../controls/FigureTools.tsx';
import { LinkButton } from '../controls/LinkButton.tsx';
import { Loading } from '../controls/Loading.tsx';
import { TableHeads } from '../controls/TableHeads.tsx';
import { SceneView } from '../scene/SceneView.tsx';
import { playNote } from '../sound/player.ts';
import { soundTrouble } from '../sound/soundTrouble.ts';
import type { KeysViewProps } from './keysView.ts';
import { TypedField, useTypedParam } from './TypedField.tsx';

/** The chord that the link names, or what is being typed over it. */
function useChordInLink(state: KeysViewProps['state']) {
  const { scale, tonic } = state.question;
  const key = useMemo(() => {
    const [found, home] = [scaleById(scale), parseNote(tonic)];
    return found.ok && home.ok ? keyOf(found.value, home.value) : undefined;
  }, [scale, tonic]);
  const usual = useMemo(() => (key ? chordsOf(key) : []), [key]);
  const typed = useTypedParam(state, 'chord', 'the chord', usual[0]);
  const read = useMemo(() => (key ? readChartChord(typed.text, key) : undefined), [typed.text, key]);
  return { usual, typed, read };
}

function chordsOf({ scale, tonic }: Key): readonly string[] {
  return triadsOf(scale).map((chord) => chordSymbol(chord, tonic));
}

/** Every way to hold a chord on the instrument, with fingers, what is left out, and why something is not there. */
export function HoldsView({ state }: KeysViewProps) {
  const { chosen, question, family, settings, param, setParam } = state;
  const { usual, typed, read } = useChordInLink(state);
  const asked = read?.ok ? read.value : undefined;
  const { data, error } = useChordChart(
    chosen,
    { scale: question.scale, tonic: question.tonic },
    asked,
    question.preferences,
    { naming: settings.naming, dialect: dialectOf(settings, family) },
  );
  const marked = data?.holds.find(({ id }) => id === param('hold')) ?? data?.holds[0];
  return (
    <div className={data && data.refused.length > 0 ? 'split keys-split chord-chart' : 'chord-chart'}>
      <div>
        <div className="keys-tools row">
          <label className="row">
            Chord or notes
            <TypedField
              typed={typed}
              placeholder="C7, or C E G B♭"
              maxLength={100}
              isWrong={read?.ok === false}
            />
          </label>
          {usual.map((chord) => (
            <LinkButton key={chord} onClick={() => typed.take(chord)}>
              {chord}
            </LinkButton>
          ))}
        </div>
        {read && !read.ok && <p role="alert">{read.problems[0]!.message}</p>}
        {error && <p role="alert">This chord cannot be worked out: {error.message}</p>}
        {asked && !data && !error && <Loading>Looking for holds…</Loading>}
        {data && chosen && (
          <>
            <p role="status">{chartWords(data)}</p>
            <figure className="figure">
              <div className="lesson-drawing">
                <SceneView
                  scene={data.scene}
                  label={`${data.name} on ${chosen.spec.name}`}
                  used={new Set(marked?.wayIds)}
                />
              </div>
              <FigureTools title={`${data.name} on ${chosen.spec.name}`} />
            </figure>
            <p className="keys-legend">
              Solid: the chord’s tones
              {marked && ` · underlined: ${marked.notes.join(' ')}, ${marked.tab}`}
            </p>
            {groupsOf(data, family.air).map((group) => (
              <HoldGroup
                key={group.title}
                group={group}
                tones={data.tones}
                marked={marked?.id}
                onHold={(id) => setParam('hold', id, 'the hold')}
                onHear={(hold) => hear(hold, family.timbre)}
              />
            ))}
          </>
        )}
      </div>
      {data && data.refused.length > 0 && (
        <aside className="keys-side card" aria-label="Not to be held">
          <h2>Close together, but not to be held</h2>
          <ul className="plain-list">
            {data.refused.map(({ notes, why }) => (
              <li key={notes.join()}>
                <b>{notes.join(' ')}</b>: {why}
              </li>
            ))}
          </ul>
        </aside>
      )}
    </div>
  );
}

function hear({ hz }: ChordHold, timbre: KeysViewProps['state']['family']['timbre']): void {
  for (const each of hz) playNote(each, timbre).catch(soundTrouble);
}

/** A part of a chart that belongs together. */
interface Group {
  readonly title: string;
  readonly holds: readonly ChordHold[];
}

/** Holds by direction of air where it matters. */
function groupsOf({ name, holds }: ChordChart, air: AirNames | undefined): readonly Group[] {
  const groups = air
    ? (['out', 'in'] as const).map((way) => ({
        title: `${name}, ${air[way]}`,
        holds: holds.filter((hold) => hold.air === way),
      }))
    : [{ title: name, holds }];
  return groups.filter((group) => group.holds.length > 0);
}

/** `C7 is C E G B♭. 14 holds, none with all of its notes.` */
function chartWords({ name, tones, holds }: ChordChart): string {
  const lacks = holds.some((hold) => hold.lacks.length > 0);
  const found = counted(holds.length, 'hold') + (lacks ? ', none with all of its notes' : '');
  return `${name} is ${tones.join(' ')}. ${holds.length === 0 ? 'It cannot be held here' : found}.`;
}

/** Rows of a group before all are asked for. */
const SHOWN = 12;

interface HoldGroupProps {
  readonly group: Group;
  readonly tones: readonly string[];
  readonly marked: string | undefined;
  readonly onHold: (id: string) => void;
  readonly onHear: (hold: ChordHold) => void;
}

function HoldGroup({ group: { title, holds }, tones, marked, onHold, onHear }: HoldGroupProps) {
  const [all, setAll] = useState(false);
  // Doubled tones make many of few: they come when all are asked for.
  const plain = holds.filter(({ isDoubled }) => !isDoubled);
  const shown = all ? holds : (plain.length > 0 ? plain : holds).slice(0, SHOWN);
  const hasFingers = holds.some(({ fingers }) => fingers.some((finger) => finger));
  const hasLacks = holds.some(({ lacks }) => lacks.length > 0);
  const heads = [
    'Lowest',
    'Hold',
    'Notes',
    ...(hasFingers ? ['Fingers'] : []),
    ...(hasLacks ? ['Without'] : []),
  ];
  return (
    <section aria-label={title}>
      <h2>{title}</h2>
      <Table className="keys-list chord-holds">
        <TableHeads columns={[...heads, { unseen: 'Hear it' }]} />
        <TableBody>
          {shown.map((hold) => (
            <TableRow key={hold.id} selected={hold.id === marked}>
              <TableCell>{hold.inversion === 0 ? `${tones[0]}, the root` : tones[hold.inversion]}</TableCell>
              <TableCell component="th" scope="row">
                <LinkButton label={hold.tab} pressed={hold.id === marked} onClick={() => onHold(hold.id)}>
                  {hold.brief}
                </LinkButton>
              </TableCell>
              <TableCell>{hold.notes.join(' ')}</TableCell>
              {hasFingers && <TableCell>{fingerWords(hold)}</TableCell>}
              {hasLacks && <TableCell>{hold.lacks.join(', ')}</TableCell>}
              <TableCell className="no-print">
                <Button
                  variant="text"
                  size="small"
                  onClick={() => onHear(hold)}
                  aria-label={`Hear ${hold.tab}`}
                >
                  Hear
                </Button>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {shown.length < holds.length && (
        <LinkButton onClick={() => setAll(true)}>
          {counted(holds.length - shown.length, 'more hold', 'more holds')}, with doubled notes
        </LinkButton>
      )}
    </section>
  );
}

/** `left ring, middle · right index`; open strings have none. */
function fingerWords({ fingers }: ChordHold): string {
  let hand = '';
  return fingers.reduce((told, finger, i) => {
    const [, side = '', name = ''] = /^(left |right )?(.*?)(?: finger)?$/u.exec(finger?.words ?? 'open')!;
    const isSame = side === hand;
    hand = side;
    const apart = i === 0 ? '' : isSame ? ', ' : ' · ';
    return told + apart + (isSame && i > 0 ? '' : side) + name;
  }, '');
}
