import Button from '@mui/material/Button';
import { useNavigate } from 'react-router';
import { familyById } from '@same-song/core/instruments';
import { planToLink } from '@same-song/core/song';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { arrangements, type ArrangementRecord } from '../../api/records.ts';
import { notify } from '../../frame/notice.ts';
import { remember } from '../../frame/undo.ts';
import { useRecordActions } from '../../frame/useRecordActions.ts';
import type { SongState } from './useSong.ts';

/** Arrangements of this song that were kept: to open, to bring up to date, to put away. */
export function KeptArrangements({ state }: { readonly state: SongState }) {
  const { record, chosen, plan } = state;
  const { data: all = [] } = arrangements.useList();
  const { keep, change, busy } = useRecordActions(arrangements);
  if (!record) return null;
  const own = all.filter(({ songId }) => songId === record.id);
  const here = own.find(({ instrumentId }) => instrumentId === chosen?.record?.id);
  const isAsKept = (kept: ArrangementRecord) => JSON.stringify(kept.plan) === JSON.stringify(plan);
  const keepIt = () => {
    const base = `${record.title}, ${chosen!.spec.name}`.slice(0, 90);
    const number = own.filter(({ name }) => name.startsWith(base)).length;
    const name = number === 0 ? base : `${base}, ${number + 1}`;
    keep(
      { name, songId: record.id, instrumentId: chosen!.record!.id, plan },
      { label: () => 'keeping an arrangement', notice: () => `${name} is kept.` },
    );
  };
  const bringUp = ({ id, version, ...before }: ArrangementRecord) =>
    change(
      { id, version },
      {
        after: { ...before, plan },
        label: `changing ${before.name}`,
        notice: `${before.name} is kept as it is now.`,
      },
    );
  return (
    <section className="song-kept" aria-label="Kept arrangements">
      <h2>Kept arrangements</h2>
      {own.length === 0 && (
        <p className="verdict-plain">None yet: key, octave, pins and ways out are kept together.</p>
      )}
      <ul className="plain-list">
        {own.map((kept) => (
          <Row key={kept.id} kept={kept} current={kept === here && isAsKept(kept)} state={state} />
        ))}
      </ul>
      {chosen?.record ? (
        <div className="song-kept-tools row">
          <Button size="small" variant="outlined" disabled={busy} onClick={keepIt}>
            Keep this one
          </Button>
          {here && !isAsKept(here) && (
            <Button size="small" variant="text" disabled={busy} onClick={() => bringUp(here)}>
              Keep it in place of {here.name}
            </Button>
          )}
        </div>
      ) : (
        <p className="verdict-plain">Put the instrument into the cabinet to keep an arrangement for it.</p>
      )}
    </section>
  );
}

function Row({
  kept,
  current,
  state,
}: {
  readonly kept: ArrangementRecord;
  readonly current: boolean;
  readonly state: SongState;
}) {
  const navigate = useNavigate();
  const { moveToBin } = useRecordActions(arrangements);
  const instrument = state.cabinet?.find(({ id }) => id === kept.instrumentId);
  const family = familyById(instrument?.family ?? '');
  const open = () => {
    if (!instrument || !family) {
      notify('The instrument of this arrangement is not in the cabinet.');
      return;
    }
    const before = `${window.location.pathname}${window.location.search}`;
    const link = `/songs/${kept.songId}?${new URLSearchParams({
      on: kept.instrumentId,
      ...planToLink(kept.plan, family),
    }).toString()}`;
    void navigate(link);
    remember({ label: `opening ${kept.name}`, undo: () => navigate(before), redo: () => navigate(link) });
  };
  return (
    <li>
      <LinkButton current={current} onClick={open}>
        {kept.name}
      </LinkButton>{' '}
      <LinkButton label={`Put ${kept.name} into the bin`} onClick={() => moveToBin(kept)}>
        bin
      </LinkButton>
    </li>
  );
}
