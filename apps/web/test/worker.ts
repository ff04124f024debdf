import { expectOk } from '@same-song/core';
import { openInstrument } from '@same-song/core/instruments';
import {
  alternativesView,
  checkQuestion,
  mapView,
  sameTab,
  type NotationOptions,
  type StoredQuestion,
} from '@same-song/core/route';
import type { Subject } from '../src/compute/subject.ts';

type Call = readonly [name: string, subject: Subject, question: unknown, ...rest: unknown[]];

const worker = Worker as unknown as { calls: Call[]; answers: Record<string, unknown> };

/** What the workers of a test have been asked so far. */
export function workerCalls(): readonly Call[] {
  return worker.calls;
}

/** Lets them compute maps. */
export function workersComputeMaps(): void {
  const open = ({ spec }: Subject, question: StoredQuestion) => {
    const instrument = expectOk(openInstrument(spec));
    return { instrument, asked: expectOk(checkQuestion(instrument.family, question)) };
  };
  worker.answers = {
    map(subject: Subject, question: StoredQuestion, notation: NotationOptions) {
      const { instrument, asked } = open(subject, question);
      return mapView(instrument, asked, notation);
    },
    alternatives(subject: Subject, question: StoredQuestion, noteId: string) {
      const { instrument, asked } = open(subject, question);
      return alternativesView(instrument, asked, noteId);
    },
    sameTab(subject: Subject, question: StoredQuestion, others: readonly Subject[]) {
      const { instrument, asked } = open(subject, question);
      return others.map(({ spec }) => sameTab(instrument, asked, expectOk(openInstrument(spec))));
    },
  };
}
