import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link } from 'react-router';
import { counted } from '@same-song/core';
import { familyById } from '@same-song/core/instruments';
import { FORMS } from '@same-song/core/music';
import { drillById, DRILLS, usualGrooveFor, USUAL_WAY, type PracticeItem } from '@same-song/core/practice';
import { defaultQuestion } from '@same-song/core/route';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { items, routines, type ItemRecord } from '../../api/records.ts';
import { Check } from '../../controls/Check.tsx';
import { InstrumentPicklist } from '../../controls/InstrumentPicklist.tsx';
import { Picklist } from '../../controls/Picklist.tsx';
import { useRecordActions } from '../../frame/useRecordActions.ts';
import { HowFields } from './HowFields.tsx';
import { playLink } from '../stand/playLink.ts';
import { dueWords } from '../today/today.ts';
import type { Practice } from '../usePracticeData.ts';

/** Everything that is practised, how, and when it comes again; routines, and new drills and progressions. */
export function ItemsView({ practice }: { readonly practice: Practice }) {
  const { cabinet, scheduleFor, persons } = practice;
  const [everybody, setEverybody] = useState(false);
  const list = everybody ? practice.items : practice.own;
  const [now] = useState(() => Date.now());
  const [open, setOpen] = useState<string | undefined>(undefined);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  return (
    <div className="items">
      <h1>Everything that is practised</h1>
      {list.length === 0 && (
        <p className="practice-empty">
          Nothing yet. Take a line of <Link to="/map">Map</Link> or a <Link to="/songs">song</Link> with the
          key B, or add a drill below.
        </p>
      )}
      {practice.items.length > practice.own.length && (
        <Check label="what others practise too" checked={everybody} onChange={setEverybody} />
      )}
      <ul className="items-list bare card">
        {list.map((item) => (
          <Row
            key={item.id}
            item={item}
            on={cabinet.find(({ id }) => id === item.instrumentId)?.name ?? ''}
            persons={persons}
            due={dueWords(scheduleFor(item.id), now)}
            open={open === item.id}
            onOpen={(wanted) => setOpen(wanted ? item.id : undefined)}
            chosen={chosen.includes(item.id)}
            onChoose={(wanted) =>
              setChosen(wanted ? [...chosen, item.id] : chosen.filter((id) => id !== item.id))
            }
          />
        ))}
      </ul>
      <Routines practice={practice} chosen={chosen} onKept={() => setChosen([])} />
      <AddItem practice={practice} />
    </div>
  );
}

interface RowProps {
  readonly item: ItemRecord;
  /** Name of its instrument. */
  readonly on: string;
  readonly due: string;
  readonly persons: Practice['persons'];
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly chosen: boolean;
  readonly onChoose: (chosen: boolean) => void;
}

/** An item without what the server adds. */
function itemOf({ id: _, version: __, ...item }: ItemRecord): PracticeItem {
  return item;
}

const KINDS: Readonly<Record<PracticeItem['what']['kind'], string>> = {
  line: 'a line',
  song: 'a song',
  drill: 'a drill',
  jam: 'to play over',
};

function Row({ item, on, due, persons, open, onOpen, chosen, onChoose }: RowProps) {
  const { change, moveToBin, busy } = useRecordActions(items);
  const { how } = item;
  const put = (part: { readonly [K in keyof PracticeItem]?: PracticeItem[K] | undefined }, label: string) => {
    const { personId, ...others } = { ...itemOf(item), ...part };
    const after = { ...others, ...(personId !== undefined && { personId }) } as PracticeItem;
    change(item, { after, label, notice: `${item.name} is changed.` });
  };
  return (
    <li>
      <div className="items-row row">
        <input
          type="checkbox"
          aria-label={`${item.name}: into a routine`}
          checked={chosen}
          onChange={(event) => onChoose(event.target.checked)}
        />
        <span className="items-name">
          <Link to={playLink([{ id: item.id, minutes: how.minutes }])}>{item.name}</Link>
          <small className="below">
            {[KINDS[item.what.kind], on, due, item.set ? 'set by the teacher' : '']
              .filter((text) => text)
              .join(' · ')}
          </small>
        </span>
        <span className="items-tools">
          <LinkButton expanded={open} label={`how ${item.name} is practised`} onClick={() => onOpen(!open)}>
            how
          </LinkButton>
          <LinkButton
            pressed={item.set}
            label={`${item.set ? 'no longer set' : 'set'}: ${item.name}`}
            disabled={busy}
            onClick={() => put({ set: !item.set }, item.set ? 'no longer set' : 'setting an item')}
          >
            {item.set ? 'no longer set' : 'set'}
          </LinkButton>
          <LinkButton label={`bin: ${item.name}`} disabled={busy} onClick={() => moveToBin(item)}>
            bin
          </LinkButton>
        </span>
      </div>
      {open && (
        <HowFields
          item={item}
          persons={persons}
          onKeep={(part) => put(part, `how ${item.name} is practised`)}
        />
      )}
    </li>
  );
}

function Routines({
  practice,
  chosen,
  onKept,
}: {
  readonly practice: Practice;
  readonly chosen: readonly string[];
  readonly onKept: () => void;
}) {
  const { routines: kept, items: list } = practice;
  const { keep, moveToBin } = useRecordActions(routines);
  const [name, setName] = useState('');
  const steps = chosen.flatMap((id) => {
    const item = list.find((one) => one.id === id);
    return item ? [{ itemId: id, minutes: item.how.minutes }] : [];
  });
  return (
    <section className="items-routines">
      <h2>Routines</h2>
      <ul>
        {kept.map((routine) => (
          <li key={routine.id}>
            <b>{routine.name}</b>:{' '}
            {routine.steps
              .map(({ itemId }) => list.find(({ id }) => id === itemId)?.name ?? 'gone')
              .join(', ')}{' '}
            <LinkButton label={`bin: ${routine.name}`} onClick={() => moveToBin(routine)}>
              bin
            </LinkButton>
          </li>
        ))}
      </ul>
      <form
        className="practice-tools row"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() === '' || steps.length === 0) return;
          keep(
            { name: name.trim(), steps },
            { label: () => `keeping the routine ${name}`, notice: () => `${name} is kept.`, onKept },
          );
          setName('');
        }}
      >
        <label>
          A routine of the {counted(steps.length, 'item')} ticked above, in the order ticked:{' '}
          <input
            value={name}
            maxLength={120}
            placeholder="its name"
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <Button
          type="submit"
          size="small"
          variant="outlined"
          disabled={name.trim() === '' || steps.length === 0}
        >
          Keep
        </Button>
      </form>
    </section>
  );
}

/** A drill or a progression as a new item, on an instrument of the cabinet. */
function AddItem({ practice }: { readonly practice: Practice }) {
  const { cabinet } = practice;
  const { keep, busy } = useRecordActions(items);
  const [on, setOn] = useState('');
  const [drill, setDrill] = useState(DRILLS[0]!.id);
  const [form, setForm] = useState<string>(FORMS[0].id);
  const instrument = cabinet.find(({ id }) => id === on) ?? cabinet[0];
  const family = instrument && familyById(instrument.family);
  if (!instrument || !family)
    return (
      <p>
        Put an instrument into the <Link to="/cabinet">cabinet</Link> first: drills and progressions are
        played on one.
      </p>
    );
  const question = defaultQuestion(family);
  const add = (item: Pick<PracticeItem, 'name' | 'what'> & { readonly groove?: string }) =>
    keep(
      {
        name: item.name,
        what: item.what,
        instrumentId: instrument.id,
        set: false,
        how: { ...USUAL_WAY, groove: item.groove ?? '', minutes: item.what.kind === 'drill' ? 3 : 8 },
      },
      { label: () => `adding ${item.name}`, notice: () => `${item.name} is among what is practised.` },
    );
  const progression = FORMS.find(({ id }) => id === form)!;
  return (
    <section className="items-add">
      <h2>Something new</h2>
      <p className="practice-tools row">
        <InstrumentPicklist label="On" value={instrument.id} cabinet={cabinet} onChange={setOn} />
        <Picklist label="a drill" value={drill} choices={DRILLS} onChange={setDrill} />
        <Button
          size="small"
          variant="outlined"
          disabled={busy}
          onClick={() =>
            add({
              name: `${drillById(drill)!.label} ${instrument.name}`,
              what: { kind: 'drill', drill, question },
            })
          }
        >
          Add the drill
        </Button>
        <Picklist
          label="chords to play over"
          value={form}
          choices={FORMS.map(({ id, name }) => ({ id, label: name }))}
          onChange={setForm}
        />
        <Button
          size="small"
          variant="outlined"
          disabled={busy}
          onClick={() =>
            add({
              name: `${progression.name}, ${instrument.name}`,
              what: { kind: 'jam', text: progression.text, beats: progression.beats, question },
              groove: usualGrooveFor(progression.beats),
            })
          }
        >
          Add them
        </Button>
      </p>
    </section>
  );
}
