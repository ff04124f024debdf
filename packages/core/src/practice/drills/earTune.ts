import type { Way } from '../../families/way.ts';
import { frequency } from '../../pitch/pitch.ts';
import { usableWays } from '../../route/context.ts';
import { placed, type Subject } from '../drillQuestion.ts';
import { breaksOf, tuneIn } from '../tune.ts';
import { waysInKey } from './drillContext.ts';
import type { Drill } from './drill.ts';

export const earTune: Drill = {
  id: 'ear-tune',
  label: 'How does the tune go on?',
  about: 'A tune of yours begins and breaks off: show its next note.',
  needs: 'tunes',
  nothing: 'There is no song yet whose beginning lies on this instrument.',
  subjects: ({ instrument, key, tunes = [] }) => {
    const { name } = waysInKey({ instrument, key });
    const words = (way: Way) =>
      instrument.tab(way, instrument.family.dialects[0]!.id, name.spelled(way.pitch));
    const ways = usableWays(instrument).filter(({ redundantTo }) => redundantTo === undefined);
    return tunes.flatMap((tune) =>
      breaksOf(tuneIn(tune, key, ways), ways).map(({ before, own, place }): Subject => {
        const about = `${tune.name.slice(0, 60)} ${place}`;
        const named = new Map(own.map((way) => [way.id, words(way)]));
        const { ask } = placed(`“${tune.name}”: which note comes next?`, own, { words: named, about });
        const heard = before.map(({ pitch, beats }) => ({
          hz: frequency(pitch, instrument.spec.a4),
          beats,
        }));
        return { about, ask: (random) => ({ ...ask(random), heard }) };
      }),
    );
  },
};
