/** The round as a machine, event by event. */
import { seededRandom } from '../seededRandom.ts';
import {
  firstRoundState,
  isSounding,
  nextRound,
  type RepeatMode,
  type RoundEffect,
  type RoundEvent,
  type RoundState,
} from './roundMachine.ts';

const LADDER = { from: 60, to: 100, step: 6, raiseAfter: 3, fallAfter: 2 };
const BEAT = { beat: 1, said: 1, of: 4 };
const WAYS = { '4d': { played: 2, missed: 1 } };

/** A machine that is sent events; what it did since it was last asked. */
function machine(mode: RepeatMode = 'waits', listening = false) {
  let state: RoundState = { ...firstRoundState(LADDER, 60, mode), listening };
  let effects: RoundEffect[] = [];
  const send = (...events: readonly RoundEvent[]) => {
    for (const event of events) {
      const next = nextRound(state, event);
      state = next.state;
      effects.push(...next.effects);
    }
  };
  const done = () => {
    const told = effects.map(words);
    effects = [];
    return told;
  };
  /** What the sound of the present run tells. */
  const sound = {
    beat: () => send({ kind: 'beat', run: state.run, beat: BEAT }),
    note: (place: number, time = 0) => send({ kind: 'note', run: state.run, place, time }),
    end: () => send({ kind: 'end', run: state.run }),
    silent: () => send({ kind: 'silent', run: state.run }),
  };
  /** Counted, played to its end, silent. */
  const wholeRound = () => {
    send({ kind: 'begin' });
    sound.beat();
    sound.note(0, 1_000);
    sound.note(1, 1_500);
    sound.end();
    sound.silent();
  };
  return { send, done, sound, wholeRound, now: () => state };
}

function words(effect: RoundEffect): string {
  switch (effect.kind) {
    case 'play':
      return `play ${effect.perMinute}${effect.loops ? ' looping' : ''}`;
    case 'wait':
      return `wait ${effect.timer} ${effect.ms}`;
    case 'began':
      return `began ${effect.perMinute}`;
    case 'report':
      return `report ${effect.tempo} ${effect.clean ?? 'unjudged'}${effect.ways ? ' with ways' : ''}`;
    case 'judge':
      return `judge ${effect.since}${effect.goesOn ? ' while it goes on' : ''}`;
    case 'startListening':
    case 'first beat':
    case 'give up waiting':
    case 'passed':
    case 'rested':
    case 'silence':
      return effect.kind;
  }
}

test('a round is counted, played, over, judged, and the next one begins after a breath', () => {
  const { send, done, sound, now } = machine();
  send({ kind: 'begin' });
  expect(now().phase).toBe('counting');
  expect(done()).toEqual(['give up waiting', 'began 60', 'startListening', 'play 60']);
  sound.beat();
  sound.beat();
  expect(done()).toEqual(['first beat']);
  expect(now().beat).toEqual(BEAT);
  sound.note(0, 4_000);
  expect(now()).toMatchObject({ phase: 'playing', place: 0, startedAt: 4_000 });
  sound.note(1, 4_500);
  expect(now()).toMatchObject({ place: 1, startedAt: 4_000 });
  sound.end();
  expect(done()).toEqual(['report 60 unjudged']);
  sound.silent();
  expect(now()).toMatchObject({ phase: 'over', played: 1, place: undefined, beat: undefined });
  expect(done()).toEqual(['rested']);
  send({ kind: 'mark', clean: true });
  expect(now()).toMatchObject({ phase: 'resting', rung: { perMinute: 60, clean: 1 } });
  expect(done()).toEqual(['report 60 true', 'give up waiting', 'passed', 'wait next 600']);
  send({ kind: 'timer', timer: 'next' });
  expect(done()).toEqual(['give up waiting', 'began 60', 'startListening', 'play 60']);
});

test('three clean rounds raise the tempo, two that are not let it fall; the round says the tempo it was played at', () => {
  const { send, done, wholeRound, now } = machine();
  for (const clean of [true, true, true]) {
    wholeRound();
    send({ kind: 'mark', clean });
  }
  expect(now().rung).toMatchObject({ perMinute: 66, moved: 'up' });
  done();
  wholeRound();
  expect(done()).toContain('play 66');
  send({ kind: 'mark', clean: false });
  expect(done()[0]).toBe('report 66 false');
  wholeRound();
  send({ kind: 'mark', clean: false });
  expect(now().rung).toMatchObject({ perMinute: 60, moved: 'down' });
  send({ kind: 'raise after', rounds: 1 });
  wholeRound();
  send({ kind: 'mark', clean: true });
  expect(now().rung.perMinute).toBe(66);
});

test('what is stopped early is no round: it is still, and its time counts', () => {
  const { send, done, sound, now } = machine();
  send({ kind: 'begin' });
  sound.note(0);
  done();
  send({ kind: 'stop' });
  expect(done()).toEqual(['silence']);
  // That it is silent is told by the sound.
  expect(now().phase).toBe('playing');
  sound.silent();
  expect(now()).toMatchObject({ phase: 'still', played: 0 });
  expect(done()).toEqual(['rested']);
});

test('begun anew while it sounds, what the sound before still tells is ignored', () => {
  const { send, done, sound, now } = machine();
  send({ kind: 'begin' });
  sound.note(0);
  const { run } = now();
  done();
  send({ kind: 'begin' });
  expect(done()).toEqual(['give up waiting', 'silence', 'began 60', 'startListening', 'play 60']);
  send({ kind: 'silent', run }, { kind: 'note', run, place: 3, time: 9 }, { kind: 'end', run });
  expect(now()).toMatchObject({ phase: 'counting', place: undefined, played: 0 });
  expect(done()).toEqual([]);
});

test('round and round each round is judged while the next one sounds', () => {
  const { send, done, sound, now } = machine('loops', true);
  send({ kind: 'begin' });
  expect(done()).toContain('play 60 looping');
  sound.note(0, 2_000);
  expect(done()).toEqual([]);
  sound.note(1, 3_000);
  sound.end();
  sound.note(0, 4_000);
  expect(done()).toEqual(['report 60 unjudged', 'judge 2000 while it goes on']);
  send({ kind: 'judged', clean: true, ways: WAYS, goesOn: true });
  expect(done()).toEqual(['report 60 true with ways']);
  expect(now()).toMatchObject({ phase: 'playing', startedAt: 4_000, rung: { clean: 0 } });
  sound.end();
  send({ kind: 'stop' });
  sound.silent();
  expect(now()).toMatchObject({ phase: 'over', played: 2 });
  expect(done()).toEqual(['report 60 unjudged', 'silence', 'rested', 'judge 4000']);
});

test('a clean round that was listened to speaks for itself, of another the player says how it was', () => {
  const { send, done, wholeRound, now } = machine('waits', true);
  wholeRound();
  expect(done().slice(-2)).toEqual(['rested', 'judge 1000']);
  send({ kind: 'judged', clean: false, ways: WAYS, goesOn: false });
  expect(now().phase).toBe('over');
  expect(done()).toEqual([]);
  send({ kind: 'mark', clean: false });
  expect(done()[0]).toBe('report 60 false with ways');
  wholeRound();
  done();
  send({ kind: 'judged', clean: true, ways: WAYS, goesOn: false });
  expect(done()[0]).toBe('report 60 true with ways');
  expect(now().phase).toBe('resting');
  // Judged too late, when the next one has begun.
  send({ kind: 'timer', timer: 'next' });
  done();
  send({ kind: 'judged', clean: true, ways: WAYS, goesOn: false });
  expect(done()).toEqual([]);
});

test('rounds that go on by themselves wait for a judgement, then pass', () => {
  const { send, done, wholeRound, now } = machine('goes on');
  wholeRound();
  expect(done().at(-1)).toBe('wait unjudged 2900');
  send({ kind: 'timer', timer: 'unjudged' });
  expect(now().phase).toBe('resting');
  expect(done()).toEqual(['give up waiting', 'passed', 'wait next 600']);
  // One that is listened to counts as it was heard, clean or not.
  const heard = machine('goes on', true);
  heard.wholeRound();
  heard.done();
  heard.send({ kind: 'judged', clean: false, ways: WAYS, goesOn: false });
  expect(heard.done()[0]).toBe('report 60 false with ways');
  // Whoever changes to waiting meanwhile is waited for.
  wholeRound();
  send({ kind: 'mode', mode: 'waits' }, { kind: 'timer', timer: 'unjudged' });
  expect(now().phase).toBe('over');
});

test('what is played once is told and stays over', () => {
  const { send, done, wholeRound, now } = machine('once', true);
  wholeRound();
  done();
  send({ kind: 'judged', clean: false, ways: WAYS, goesOn: false });
  expect(done()).toEqual(['report 60 false with ways']);
  expect(now().phase).toBe('over');
});

test.each<[string, RoundEvent]>([
  ['another tempo', { kind: 'tempo', perMinute: 80 }],
  ['round and round', { kind: 'mode', mode: 'loops' }],
  ['another thing to play', { kind: 'changed' }],
])('%s silences what sounds, and nothing where nothing does', (_, event) => {
  const { send, done, sound } = machine();
  send(event);
  expect(done()).toEqual([]);
  send({ kind: 'begin' });
  sound.beat();
  done();
  send(event);
  expect(done()).toEqual(event.kind === 'mode' ? [] : ['silence']);
  const other = machine();
  other.send({ kind: 'begin' });
  other.done();
  other.send(event);
  expect(other.done()).toEqual(['silence']);
});

test('to stop while the next round is about to begin gives it up', () => {
  const { send, done, wholeRound, now } = machine();
  wholeRound();
  send({ kind: 'pass' });
  done();
  send({ kind: 'stop' });
  expect([now().phase, done()]).toEqual(['still', ['give up waiting']]);
  send({ kind: 'timer', timer: 'next' });
  expect([now().phase, done()]).toEqual(['still', []]);
});

test('whatever comes in whatever order, one sound at a time is begun, and silence only follows sound', () => {
  const random = seededRandom(7);
  const events: readonly ((run: number) => RoundEvent)[] = [
    () => ({ kind: 'begin' }),
    () => ({ kind: 'stop' }),
    (run) => ({ kind: 'beat', run, beat: BEAT }),
    (run) => ({ kind: 'note', run, place: random.below(3), time: random.below(9_000) }),
    (run) => ({ kind: 'end', run }),
    (run) => ({ kind: 'silent', run }),
    () => ({ kind: 'judged', clean: random.below(2) === 0, ways: WAYS, goesOn: random.below(2) === 0 }),
    () => ({ kind: 'mark', clean: random.below(2) === 0 }),
    () => ({ kind: 'pass' }),
    () => ({ kind: 'timer', timer: random.of(['next', 'unjudged'] as const) }),
    () => ({ kind: 'tempo', perMinute: 40 + random.below(100) }),
    () => ({ kind: 'mode', mode: random.of(['waits', 'goes on', 'loops', 'once'] as const) }),
    () => ({ kind: 'listening', on: random.below(2) === 0 }),
    () => ({ kind: 'changed' }),
  ];
  let state = firstRoundState(LADDER, 60);
  let sounding = 0;
  const wrong: string[] = [];
  const need = (holds: boolean, what: string) => {
    if (!holds) wrong.push(what);
  };
  for (let i = 0; i < 20_000; i += 1) {
    const before = state;
    // The sound tells its notes only while it sounds.
    const event = random.of(events)(random.below(5) === 0 ? before.run - 1 : before.run);
    if ('run' in event && event.run === before.run && !isSounding(before)) continue;
    const next = nextRound(before, event);
    state = next.state;
    for (const effect of next.effects) {
      if (effect.kind === 'silence') need(isSounding(before), 'silenced in silence');
      if (effect.kind === 'play') {
        need(effect.run === before.run + 1, 'a run twice');
        sounding += 1;
      }
    }
    if (state.phase === 'over') need(state.isWhole, 'over before its end');
    need(state.place === undefined || isSounding(state), 'a note in silence');
  }
  expect(wrong).toEqual([]);
  expect(sounding).toBe(state.run);
});
