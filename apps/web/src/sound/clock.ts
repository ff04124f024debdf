/** The clock that sounds are laid on; times in seconds since its context began. */
export interface Clock {
  readonly context: BaseAudioContext;
  now(): number;
  /** Runs something once a time has come, at most some hundredths of a second late. @returns what calls it off */
  at(time: number, run: () => void): () => void;
}

interface Due {
  readonly time: number;
  readonly run: () => void;
}

/** What is to be run, worked off whenever the clock is looked at. */
export class Agenda {
  private due: Due[] = [];

  add(time: number, run: () => void): () => void {
    const entry = { time, run };
    this.due.push(entry);
    return () => {
      this.due = this.due.filter((one) => one !== entry);
    };
  }

  /** Runs what is due at a time, the earliest first, and what that adds for then. */
  runUntil(time: number): void {
    for (;;) {
      const next = this.due.reduce<Due | undefined>(
        (first, one) => (one.time <= time && !(first && first.time <= one.time) ? one : first),
        undefined,
      );
      if (!next) return;
      this.due = this.due.filter((one) => one !== next);
      next.run();
    }
  }
}

let live: Clock | undefined;

/** The clock of what is heard. @throws as the browser does where no sound can be made */
export async function liveClock(): Promise<Clock> {
  live ??= startedClock();
  try {
    await (live.context as AudioContext).resume();
    return live;
  } catch (error) {
    live = undefined;
    throw error;
  }
}

function startedClock(): Clock {
  const context = new AudioContext({ latencyHint: 'interactive' });
  const agenda = new Agenda();
  // A worker's ticks come in time in a tab that lies behind another, where the page's own come once a second.
  const ticker = new Worker(new URL('./ticker.ts', import.meta.url), { type: 'module' });
  ticker.addEventListener('message', () => agenda.runUntil(context.currentTime));
  return {
    context,
    now: () => context.currentTime,
    at: (time, run) => agenda.add(time, run),
  };
}
