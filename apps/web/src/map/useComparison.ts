import { useMemo } from 'react';
import { familyById } from '@same-song/core/instruments';
import { scaleById } from '@same-song/core/music';
import { compareMaps, type Comparison, type MapView, type StoredQuestion } from '@same-song/core/route';
import { dialectOf } from '../api/settings.ts';
import { useMapView } from '../compute/compute.ts';
import type { Subject } from '../compute/subject.ts';
import { questionOn, choose } from '../question/reference.ts';
import type { QuestionState } from '../question/useQuestion.ts';

/** What stands beside the map: its own question, its map once it is there, and how the two differ. */
export interface Beside extends Subject {
  readonly question: StoredQuestion;
  /** The scale's or the instrument's name. */
  readonly name: string;
  readonly sameInstrument: boolean;
  readonly view: MapView | undefined;
  readonly comparison: Comparison | undefined;
}

/** Reads the comparison of the link; one that names nothing is none. */
export function useComparison(state: QuestionState, view: MapView | undefined): Beside | undefined {
  const { against, chosen, question, cabinet, settings } = state;
  const other = useMemo(() => {
    const [kind, ...rest] = (against ?? '').split(':');
    const ref = rest.join(':');
    if (!chosen || ref === '') return undefined;
    if (kind === 'play') {
      const scale = scaleById(ref);
      if (!scale.ok) return undefined;
      const beside: StoredQuestion = { ...question, scale: scale.value.id, pins: [] };
      return {
        key: chosen.key,
        spec: chosen.spec,
        question: beside,
        name: scale.value.name,
        sameInstrument: true,
      };
    }
    const found = kind === 'on' ? choose(ref, cabinet, false) : undefined;
    if (found?.ref !== ref) return undefined;
    return {
      key: found.key,
      spec: found.spec,
      question: questionOn(question, chosen.spec, found.spec),
      name: found.spec.name,
      sameInstrument: false,
    };
  }, [against, chosen, question, cabinet]);
  const family = other && familyById(other.spec.family);
  const dialect = family ? dialectOf(settings, family) : '';
  const { data } = useMapView(other, other?.question ?? question, { naming: settings.naming, dialect });
  return useMemo(() => {
    if (!other) return undefined;
    const fits = data !== undefined && data.scene.title !== '' && view !== undefined;
    const same = other.sameInstrument && fits && data.ways.length === view.ways.length;
    return {
      ...other,
      view: data,
      comparison: fits ? compareMaps(view, data, same) : undefined,
    };
  }, [other, data, view]);
}
