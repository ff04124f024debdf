import { useNavigate } from 'react-router';
import { USUAL_WAY, type HowToPractise, type Practised } from '@same-song/core/practice';
import { items, people } from '../api/records.ts';
import { useSettings } from '../api/settings.ts';
import { notify } from '../frame/notice.ts';
import { useRecordActions } from '../frame/useRecordActions.ts';
import { playLink } from './stand/playLink.ts';

interface ToPractise {
  readonly name: string;
  /** Undefined for one that is only borrowed. */
  readonly instrumentId: string | undefined;
  readonly songId?: string;
  readonly what: Practised;
  readonly how?: Partial<HowToPractise>;
}

/** Makes something an item of practice with one key, and offers to play it at once. */
export function useAddToPractice() {
  const { keep, busy } = useRecordActions(items);
  const navigate = useNavigate();
  const { settings } = useSettings();
  const { data: persons = [] } = people.useList();
  const who = persons.find(({ id }) => id === settings.person)?.id;
  return ({ name, instrumentId, songId, what, how = {} }: ToPractise) => {
    if (busy) return;
    if (instrumentId === undefined)
      return notify('Put the instrument into the cabinet first: what is practised belongs to one of yours.');
    const tempo = how.tempo ?? USUAL_WAY.tempo;
    keep(
      {
        name: name.slice(0, 200),
        instrumentId,
        what,
        set: false,
        ...(songId !== undefined && { songId }),
        ...(who !== undefined && { personId: who }),
        how: { ...USUAL_WAY, ...how, wanted: Math.max(how.wanted ?? USUAL_WAY.wanted, tempo) },
      },
      {
        label: () => `practising ${name}`,
        notice: () => `${name} is among what is practised.`,
        onKept: ({ id }) =>
          notify(`${name} is among what is practised.`, {
            action: {
              label: 'Play it now',
              run: () => void navigate(playLink([{ id, minutes: USUAL_WAY.minutes }])),
            },
          }),
      },
    );
  };
}
