import Button from '@mui/material/Button';
import { useEffect, useRef } from 'react';
import { NavLink, useNavigate, useParams } from 'react-router';
import { Loading } from '../controls/Loading.tsx';
import { instruments, type InstrumentRecord } from '../api/records.ts';
import { lazyPart } from '../frame/lazyPart.tsx';
import { useShortcuts } from '../frame/shortcuts.ts';
import { useTitle } from '../frame/useTitle.ts';
import { InstrumentList } from './InstrumentList.tsx';
import './cabinet.css';

const InstrumentEditor = lazyPart(
  'The instrument',
  async () => (await import('./InstrumentEditor.tsx')).InstrumentEditor,
  { opening: 'Opening the instrument…' },
);
const AddInstrument = lazyPart(
  'The list of kinds',
  async () => (await import('./AddInstrument.tsx')).AddInstrument,
);
const DataPanel = lazyPart('Export and import', async () => (await import('./DataPanel.tsx')).DataPanel);
const BinPanel = lazyPart('The bin', async () => (await import('./BinPanel.tsx')).BinPanel);

const PANELS: Readonly<Record<string, string>> = {
  new: 'Add an instrument',
  bin: 'Bin',
  data: 'Export and import',
};

/** What I have: the instruments, their layouts, and the data as a whole. */
export function CabinetPage() {
  const { id } = useParams();
  const navigate = useNavigate();
  const { data: list, isPending, error, refetch } = instruments.useList();
  const first = list?.[0]?.id;
  useEffect(() => {
    if (id === undefined && list)
      void navigate(first ? `/cabinet/${first}` : '/cabinet/new', { replace: true });
  }, [id, list, first, navigate]);
  const shown = list?.find((record) => record.id === id)?.name;
  useTitle(shown ?? PANELS[id ?? ''], 'Cabinet');
  const go = (path: string) => () => void navigate(`/cabinet/${path}`);
  useShortcuts([
    { key: 'a', label: 'Add an instrument', group: 'Cabinet', run: go('new') },
    { key: 'b', label: 'What is in the bin', group: 'Cabinet', run: go('bin') },
    {
      key: 'm',
      label: 'Map of this instrument',
      group: 'Cabinet',
      run: () => void navigate(`/map?on=${id ?? ''}`),
    },
  ]);
  return (
    <div className="cabinet">
      <section className="cabinet-list" aria-label="Instruments">
        <h1>Cabinet</h1>
        <Button variant="contained" onClick={go('new')}>
          Add an instrument
        </Button>
        {error && (
          <p role="alert">
            The cabinet cannot be read: {error.message}{' '}
            <Button size="small" variant="outlined" onClick={() => void refetch()}>
              Try again
            </Button>
          </p>
        )}
        {isPending && <Loading>Opening the cabinet…</Loading>}
        <Broken />
        {list && <InstrumentList list={list} at={id} />}
        <nav className="cabinet-more" aria-label="More">
          <NavLink to="/cabinet/bin">Bin</NavLink>
          <NavLink to="/cabinet/data">Export and import</NavLink>
        </nav>
      </section>
      <section className="cabinet-page">
        <Panel id={id} list={list} />
      </section>
    </div>
  );
}

/** Instruments that a damaged file no longer gives, by their names. */
function Broken() {
  const { data: titles } = instruments.useTitles('kept');
  const broken = titles?.filter((record) => record.broken) ?? [];
  if (broken.length === 0) return null;
  return (
    <p role="status">
      {broken.map(({ title }) => `“${title}”`).join(', ')}: damaged in the file, cannot be shown. All others
      can; importing a file that holds it puts it right.
    </p>
  );
}

function Panel({ id, list }: { id: string | undefined; list: readonly InstrumentRecord[] | undefined }) {
  if (id === 'new') return <AddInstrument empty={list?.length === 0} />;
  if (id === 'bin') return <BinPanel />;
  if (id === 'data') return <DataPanel />;
  if (!list || id === undefined) return null;
  return <InstrumentPanel id={id} list={list} />;
}

/** An instrument of the cabinet, or one that lies in the bin; put there elsewhere, it stays on the page. */
function InstrumentPanel({ id, list }: { id: string; list: readonly InstrumentRecord[] }) {
  const kept = list.find((instrument) => instrument.id === id);
  const { data: bin, isPending, error } = instruments.useList('binned', kept === undefined);
  const last = useRef<InstrumentRecord | undefined>(undefined);
  const shown = last.current?.id === id ? last.current : undefined;
  const record = kept ?? bin?.find((instrument) => instrument.id === id) ?? shown;
  last.current = record;
  if (record) return <InstrumentEditor key={id} record={record} binned={kept === undefined} />;
  if (isPending) return <Loading>Looking for it in the bin too…</Loading>;
  if (error) return <p role="alert">The bin cannot be read: {error.message}</p>;
  return (
    <div>
      <h2>There is no such instrument</h2>
      <p>It is neither in the cabinet nor in the bin. Choose one from the list, or add it.</p>
      <Button variant="outlined" href="/cabinet/new">
        Add an instrument
      </Button>
    </div>
  );
}
