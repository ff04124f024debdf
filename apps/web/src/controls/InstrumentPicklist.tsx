import { Picklist } from './Picklist.tsx';

interface InstrumentPicklistProps {
  readonly label: string;
  /** The label is spoken, not shown. */
  readonly silent?: boolean;
  /** Id of an instrument, or empty for none. */
  readonly value: string;
  readonly cabinet: readonly { readonly id: string; readonly name: string }[];
  /** What stands for none of them; one must be chosen when left out. */
  readonly none?: string;
  readonly onChange: (id: string) => void;
}

/** One of the instruments of the cabinet. */
export function InstrumentPicklist({ cabinet, none, ...rest }: InstrumentPicklistProps) {
  const own = cabinet.map(({ id, name }) => ({ id, label: name }));
  return <Picklist {...rest} choices={none === undefined ? own : [{ id: '', label: none }, ...own]} />;
}
