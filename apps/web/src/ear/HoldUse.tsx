import { counted } from '@same-song/core';
import { BAND_WIDTHS, HOLD_SECONDS, type Held } from '@same-song/core/ear';
import { Check } from '../controls/Check.tsx';
import { Picklist } from '../controls/Picklist.tsx';
import { Needle } from './Needle.tsx';
import { useHold } from './useHold.ts';
import type { UseProps } from './listeningUse.ts';
import { WayPicture } from './WayPicture.tsx';

const WITHIN = BAND_WIDTHS.map((width) => ({ id: String(width), label: `within ${width} cents` }));
const BETWEEN_CHOICE = { id: 'between', label: 'between it and the semitone above' };
const SECONDS = HOLD_SECONDS.map((count) => ({ id: String(count), label: counted(count, 'second') }));

/** One note held in its band for some seconds: a bend, or a third that lies in between. */
export function HoldUse(props: UseProps) {
  const { chosen, instrument, heard } = props;
  const hold = useHold(props);
  const { way, held, place, seconds, cents } = hold;
  return (
    <>
      <div className="practice-tools row">
        <Picklist
          label="Hold"
          value={way.id}
          choices={hold.usable.map(({ id, words }) => ({ id, label: words }))}
          onChange={hold.setWayId}
        />
        <Picklist
          label="where"
          silent
          value={String(place)}
          choices={hold.glides ? [...WITHIN, BETWEEN_CHOICE] : WITHIN}
          onChange={(id) => hold.setPlace(id === 'between' ? id : Number(id))}
        />
        <Picklist
          label="for"
          value={String(seconds)}
          choices={SECONDS}
          onChange={(id) => hold.setSeconds(Number(id))}
        />
        {hold.isOwn && (
          <Check label="against the reeds around it" checked={hold.isAround} onChange={hold.setIsAround} />
        )}
      </div>
      <section className="listen-now" aria-label="What is heard" aria-live="off">
        <p className="listen-way">{way.words}</p>
        <p className="listen-cents">{heldWords(held, cents, heard.ear.state === 'listening')}</p>
        <Needle cents={cents} band={hold.width} />
        <HoldBar held={held.seconds} wanted={seconds} />
      </section>
      <p className="hold-told" role="status" aria-label="How long it was held">
        {held.longest > 0 && longestWords(held)}
        {place === 'between' &&
          ' In between is anywhere from a quarter to three quarters of the way up: neither the lower nor the upper note.'}
      </p>
      <WayPicture
        chosen={chosen}
        instrument={instrument}
        label="Choose the note to be held"
        selected={way.id}
        onSelect={hold.setWayId}
      />
    </>
  );
}

/** How much of the time it was held, in seconds. */
function HoldBar({ held, wanted }: { readonly held: number; readonly wanted: number }) {
  const share = Math.min(1, held / wanted);
  return (
    <div
      className="hold-bar"
      role="progressbar"
      aria-label="held"
      aria-valuemin={0}
      aria-valuemax={wanted}
      aria-valuenow={Math.round(10 * held) / 10}
    >
      <span style={{ width: `${100 * share}%` }} className={share === 1 ? 'done' : ''} />
    </div>
  );
}

function longestWords({ times, longest, sway }: Held): string {
  const swaying = sway > 0 ? `, swaying by ${counted(Math.round(sway), 'cent')}` : '';
  return `Held ${counted(times, 'time')}; the longest ${longest.toFixed(1)} seconds${swaying}.`;
}

function heldWords({ seconds }: Held, cents: number | undefined, isListening: boolean): string {
  if (seconds > 0) return `${seconds.toFixed(1)} seconds`;
  if (cents === undefined) return isListening ? 'Play it.' : ' ';
  return `${cents > 0 ? 'lower' : 'higher'}, by ${Math.round(Math.abs(cents))} cents`;
}
