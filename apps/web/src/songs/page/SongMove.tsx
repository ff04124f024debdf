import { useMemo } from 'react';
import { noteText } from '@same-song/core/music';
import { compareViews, movedTonic, inModeIfAny, type SongView } from '@same-song/core/song';
import { Loading } from '../../controls/Loading.tsx';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { useSameSongTabs, useSongTabs } from '../../compute/computeSongs.ts';
import { dialectOf } from '../../api/settings.ts';
import { Picklist } from '../../controls/Picklist.tsx';
import { allOfFamily } from '../../question/othersOfFamily.ts';
import { baseRef } from '../../question/reference.ts';
import { fitWords } from './sentenceChoices.ts';
import { unbroken } from './unbroken.ts';
import type { SongState } from './useSong.ts';

/** The song elsewhere: another arrangement beside it, its tab on other instruments, and every key with its tab. */
export function SongMove({ state, view }: { readonly state: SongState; readonly view: SongView }) {
  return (
    <section className="split song-move card" aria-label="Move it">
      <Beside state={state} view={view} />
      <SameTabOn state={state} />
      <EveryKey state={state} view={view} />
    </section>
  );
}

/** Another arrangement under this one, note under note, and what is easier there. */
function Beside({ state, view }: { readonly state: SongState; readonly view: SongView }) {
  const { second, cabinet = [], chosen, record, plan, putBeside } = state;
  const chosenBy = second?.by ?? plan.transpose;
  const song = inModeIfAny(record!, plan.mode);
  const refs = [
    { id: '', label: 'nothing' },
    ...(chosen && !chosen.record ? [{ id: chosen.ref, label: chosen.spec.name }] : []),
    ...cabinet.map(({ id, name }) => ({ id, label: name })),
  ];
  const moves = Array.from({ length: 49 }, (_, i) => i - 24).map((by) => ({
    id: String(by),
    label: `${noteText(movedTonic(song, by))}${octaveWords(by)}`,
  }));
  const { easier, harder } = second ? compareViews(view, second.view) : { easier: [], harder: [] };
  return (
    <div className="song-beside" role="group" aria-label="Beside it">
      <h2>Beside it</h2>
      <div className="row">
        <Picklist
          label="On"
          value={second?.ref ?? ''}
          choices={refs}
          onChange={(ref) =>
            putBeside(ref === '' ? undefined : { ref, ...(chosenBy !== undefined && { by: chosenBy }) })
          }
        />
        {second && (
          <>
            <Picklist
              label="in"
              value={String(second.by)}
              choices={moves}
              onChange={(by) => putBeside({ ref: second.ref, by: Number(by) })}
            />
            <LinkButton onClick={() => state.play(second.ref, second.by)}>play that one</LinkButton>
          </>
        )}
      </div>
      {second && (
        <dl className="song-differences">
          <EffortDifferences what={`Easier on ${second.name}`} texts={easier} />
          <EffortDifferences what={`Harder on ${second.name}`} texts={harder} />
        </dl>
      )}
    </div>
  );
}

function EffortDifferences({ what, texts }: { readonly what: string; readonly texts: readonly string[] }) {
  return (
    <>
      <dt>{what}</dt>
      <dd>{texts.length > 0 ? texts.slice(0, 6).join(', ') : 'nothing'}</dd>
    </>
  );
}

function octaveWords(by: number): string {
  if (by >= -6 && by < 6) return '';
  const octaves = Math.round(by / 12);
  const size = Math.abs(octaves) === 1 ? 'an octave' : `${Math.abs(octaves)} octaves`;
  return octaves === 0 ? '' : `, ${size} ${octaves > 0 ? 'up' : 'down'}`;
}

/** More instruments of one family than anybody asks about at once. */
const TABS_LISTED = 8;

/** Which key comes out when the same tab is played on another instrument. */
function SameTabOn({ state }: { readonly state: SongState }) {
  const { chosen, cabinet, asked, plan, take } = state;
  const others = useMemo(() => {
    const standing = chosen && baseRef(chosen.ref);
    return allOfFamily(chosen?.spec.family, chosen?.ref, cabinet ?? [])
      .filter(({ ref }) => ref !== standing)
      .slice(0, TABS_LISTED);
  }, [chosen, cabinet]);
  const { data } = useSameSongTabs(chosen, asked, plan, others);
  const there = others.flatMap((other, i) => {
    const same = data?.[i];
    return same && 2 * same.kept >= same.of ? [{ ...other, same }] : [];
  });
  if (there.length === 0) return null;
  return (
    <div>
      <h2>The same tab on</h2>
      <ul className="plain-list">
        {there.map(({ ref, spec, same }) => (
          <li key={ref}>
            <LinkButton onClick={() => take('the same tab', ref, same.plan)}>{spec.name}</LinkButton>{' '}
            <b>{same.changed > 0 ? `round ${same.keyName}` : same.keyName}</b>
            {same.kept < same.of && `, ${same.kept} of ${same.of} notes`}
            {same.changed > 0 && `, ${same.changed} notes come out otherwise`}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Bars of which the tab is shown; of a longer song it is how it begins. */
const LINES = 2;

/** Every key of the instrument, tab beside tab. */
function EveryKey({ state, view }: { readonly state: SongState; readonly view: SongView }) {
  const { chosen, asked, plan, by, settings, family, move } = state;
  const notation = { naming: settings.naming, dialect: dialectOf(settings, family) };
  const { data: keys } = useSongTabs(chosen, asked, plan, notation);
  const isLong = view.song.bars.length > 4 * LINES;
  return (
    <details className="song-every-key" open={!isLong}>
      <summary>
        <h2>In every key, tab beside tab{isLong ? ', how it begins' : ''}</h2>
      </summary>
      {!keys && <Loading>Working out twelve keys…</Loading>}
      <ul>
        {keys?.map((fit) => (
          <li key={fit.transpose}>
            <p>
              <LinkButton current={fit.transpose === by} onClick={() => move(fit.transpose)}>
                {fit.keyName}
              </LinkButton>{' '}
              {[fit.facts[0], fitWords(fit)].filter((text) => text).join(' · ')}
            </p>
            <pre>
              {unbroken(fit.tabText.split('\n').slice(0, LINES).join('\n'), family, notation.dialect)}
            </pre>
          </li>
        ))}
      </ul>
    </details>
  );
}
