import TextField from '@mui/material/TextField';
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { NavLink, useNavigate } from 'react-router';
import { counted, found } from '@same-song/core';
import { FAMILY_IDS, familyById } from '@same-song/core/instruments';
import type { InstrumentRecord } from '../api/records.ts';
import { useShortcuts } from '../frame/shortcuts.ts';
import { useStored } from '../frame/stored.ts';
import { drafts } from './drafts.ts';

/** With so many or more they can be searched, and stand by family. */
const SEARCHED_FROM = 8;
/** Height of a row before it is measured, in CSS pixels. */
const ROW_HEIGHT = 56;
/** Rows kept ready above and below those in view. */
const READY = 12;

/** A family's name, or an instrument. */
type Line = { readonly heading: string } | { readonly record: InstrumentRecord };

interface InstrumentListProps {
  readonly list: readonly InstrumentRecord[];
  /** The one that is open. */
  readonly at: string | undefined;
}

/** The instruments by family, those that answer what is typed; only what is in view is drawn. */
export function InstrumentList({ list, at }: InstrumentListProps) {
  const [text, setText] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const navigate = useNavigate();
  const isSearched = list.length >= SEARCHED_FROM;
  const shown = useMemo(() => byFamily(answering(list, text)), [list, text]);
  const lines = useMemo(
    () => (isSearched ? withHeadings(shown) : shown.map((record) => ({ record }))),
    [isSearched, shown],
  );
  const windowed = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: READY,
    getItemKey: (index) => nameOf(lines[index]!),
  });
  const place = lines.findIndex((line) => 'record' in line && line.record.id === at);
  useEffect(() => {
    if (place >= 0) windowed.scrollToIndex(place, { align: 'auto' });
    // Another one is open: whatever else moves the list is its reader's.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [at]);
  const step = (by: number) => {
    const here = shown.findIndex((record) => record.id === at);
    const next = shown[Math.max(0, Math.min(shown.length - 1, here + by))];
    if (next) void navigate(`/cabinet/${next.id}`);
  };
  const group = 'Cabinet';
  useShortcuts([
    { key: 'ArrowDown', repeats: true, label: 'Next instrument', group, run: () => step(1) },
    { key: 'ArrowUp', repeats: true, label: 'Instrument before', group, run: () => step(-1) },
    ...(isSearched
      ? [{ key: '/', label: 'Find an instrument', group, run: () => field.current?.focus() }]
      : []),
  ]);
  return (
    <>
      {isSearched && (
        <TextField
          className="cabinet-find"
          size="small"
          type="search"
          placeholder="Find: name, kind, key …"
          value={text}
          onChange={(event) => setText(event.target.value)}
          inputRef={field}
          slotProps={{ htmlInput: { 'aria-label': 'Find an instrument' } }}
        />
      )}
      <div className="cabinet-found" ref={scroller}>
        {shown.length === 0 && list.length > 0 && (
          <p role="status">
            None of {counted(list.length, 'instrument')} fits “{text}”.
          </p>
        )}
        <ul style={{ height: windowed.getTotalSize() }}>
          {windowed.getVirtualItems().map(({ key, index, start }) => {
            const line = lines[index]!;
            return (
              <li
                key={key}
                ref={windowed.measureElement}
                data-index={index}
                style={{ transform: `translateY(${start}px)` }}
              >
                {'heading' in line ? <h2>{line.heading}</h2> : <Row record={line.record} />}
              </li>
            );
          })}
        </ul>
      </div>
    </>
  );
}

function nameOf(line: Line): string {
  return 'heading' in line ? line.heading : line.record.id;
}

function byFamily(list: readonly InstrumentRecord[]): readonly InstrumentRecord[] {
  return FAMILY_IDS.flatMap((id) => list.filter(({ family }) => family === id));
}

function withHeadings(list: readonly InstrumentRecord[]): readonly Line[] {
  return list.flatMap((record, i): Line[] => {
    const isFirst = record.family !== list[i - 1]?.family;
    return [...(isFirst ? [{ heading: familyById(record.family)!.label }] : []), { record }];
  });
}

function answering(list: readonly InstrumentRecord[], text: string): readonly InstrumentRecord[] {
  return found(list, text, (record) => [
    record.name,
    `${record.name} ${descriptionOf(record)} ${familyById(record.family)?.label ?? ''}`,
  ]);
}

const Row = memo(function Row({ record }: { record: InstrumentRecord }) {
  const isChanged = useStored(drafts, record.id) !== undefined;
  return (
    <NavLink to={`/cabinet/${record.id}`}>
      <b dir="auto">{record.name}</b>
      <span className="below">
        {descriptionOf(record)}
        {isChanged && <em> · not saved yet</em>}
      </span>
    </NavLink>
  );
});

const descriptions = new WeakMap<InstrumentRecord, string>();

/** What an instrument is, worked out when it is first needed. */
function descriptionOf(record: InstrumentRecord): string {
  const known = descriptions.get(record);
  if (known !== undefined) return known;
  const face = familyById(record.family)?.face(record.layout);
  const description = face?.ok ? face.value.description : record.family;
  descriptions.set(record, description);
  return description;
}
