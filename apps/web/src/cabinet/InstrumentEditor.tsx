import TextField from '@mui/material/TextField';
import { useMemo, useRef } from 'react';
import {
  openInstrument,
  withLayout,
  type Instrument,
  type InstrumentSpec,
  type Problem,
} from '@same-song/core';
import type { InstrumentRecord } from '../api/records.ts';
import { later } from '../frame/later.tsx';
import { notify } from '../frame/notice.ts';
import { useShortcuts } from '../frame/shortcuts.ts';
import { remember } from '../frame/undo.ts';
import { CapabilityFields } from './CapabilityFields.tsx';
import { ElementTable } from './ElementTable.tsx';
import { EditorHead } from './EditorHead.tsx';
import { LayoutDrawing } from './LayoutDrawing.tsx';
import { PitchStandardField } from './PitchStandardField.tsx';
import { useDraft } from './useDraft.ts';
import { useSaving } from './useSaving.ts';

const AlternatesPanel = later(
  'The choice of fingerings',
  async () => (await import('./AlternatesPanel.tsx')).AlternatesPanel,
);
const InTheBin = later('What lies in the bin', async () => (await import('./InTheBin.tsx')).InTheBin);
const KeepLayout = later('Keeping layouts', async () => (await import('./KeepLayout.tsx')).KeepLayout);
const LayoutFiles = later('Layouts as files', async () => (await import('./LayoutFiles.tsx')).LayoutFiles);
const ClashChoice = later('The choice', async () => (await import('./ClashChoice.tsx')).ClashChoice);

/** One instrument: everything about it can be changed, and the drawing follows at once. */
export function InstrumentEditor({ record, binned }: { record: InstrumentRecord; binned: boolean }) {
  const draft = useDraft(record);
  const { spec } = draft;
  const { save, busy, clash, problems: refused } = useSaving(record);
  const checked = useMemo(() => openInstrument(spec), [spec]);
  const lastGood = useRef<Instrument | undefined>(undefined);
  const good = checked.ok ? checked.value : lastGood.current;
  if (checked.ok) lastGood.current = checked.value;
  const problems = checked.ok ? refused : checked.problems;
  const problemAt = (field: string) => problems.find((problem) => problem.field === field)?.message;

  /** A change that is one step to undo, as against typing, which the browser undoes letter by letter. */
  const step = (label: string, next: InstrumentSpec) => {
    draft.change(next);
    remember({ label, undo: () => draft.change(spec), redo: () => draft.change(next) });
  };

  const keepIt = () => {
    if (binned)
      notify(
        `It lies in the bin: put it back first.${draft.changed ? ' What you typed is still here.' : ''}`,
      );
    else save();
  };
  useShortcuts([{ key: 's', ctrl: true, inFields: true, label: 'Save', group: 'Cabinet', run: keepIt }]);
  return (
    <form
      className="editor"
      onSubmit={(event) => {
        event.preventDefault();
        keepIt();
      }}
    >
      <EditorHead
        record={record}
        spec={spec}
        changed={draft.changed}
        busy={busy}
        binned={binned}
        onDrop={draft.drop}
      />
      {binned && <InTheBin record={record} />}
      {clash && <ClashChoice {...clash} />}
      {good && <LayoutDrawing instrument={good} stale={!checked.ok} />}
      <div className="editor-fields">
        <TextField
          label="Name"
          value={spec.name}
          onChange={(event) => draft.change({ ...spec, name: event.target.value })}
          error={problemAt('name') !== undefined}
          helperText={problemAt('name') ?? ' '}
          slotProps={{ htmlInput: { dir: 'auto' } }}
        />
        {good?.options.map((option) => (
          <TextField
            key={option.id}
            select
            label={option.label}
            value={option.value}
            slotProps={{ select: { native: true } }}
            helperText=" "
            onChange={(event) =>
              step(
                option.label.toLowerCase(),
                relaid(spec, good, good.withOption(option.id, event.target.value)),
              )
            }
          >
            {option.choices.map((choice) => (
              <option key={choice.id} value={choice.id}>
                {choice.label}
              </option>
            ))}
          </TextField>
        ))}
        <PitchStandardField
          a4={spec.a4}
          problem={problemAt('a4')}
          onChange={(a4) => draft.change({ ...spec, a4 })}
        />
      </div>
      {good && (
        <ElementTable
          instrument={good}
          problems={problems}
          onChange={(element, change) =>
            step(`a ${good.family.element}`, relaid(spec, good, good.withElement(element, change)))
          }
        />
      )}
      <OtherProblems problems={problems} />
      {good && (
        <CapabilityFields
          instrument={good}
          spec={spec}
          onChange={(capability) => step('what it can do', { ...spec, capability })}
        />
      )}
      {good && (
        <AlternatesPanel
          instrument={good}
          spec={spec}
          problems={problems}
          onMeasured={(measured) => step('a measurement', { ...spec, measured })}
          onChoices={(choices) => step('the chosen way', { ...spec, choices })}
        />
      )}
      <TextField
        label="Notes"
        multiline
        minRows={2}
        value={spec.notes}
        onChange={(event) => draft.change({ ...spec, notes: event.target.value })}
        error={problemAt('notes') !== undefined}
        helperText={problemAt('notes') ?? ' '}
      />
      {good && <KeepLayout instrument={good} />}
      {good && (
        <LayoutFiles
          instrument={good}
          onLayout={(layout) => step('a layout from a file', { ...spec, layout, measured: {}, choices: [] })}
        />
      )}
    </form>
  );
}

/** What is typed with another layout; a name that only describes the layout follows it. */
function relaid(spec: InstrumentSpec, good: Instrument, layout: unknown): InstrumentSpec {
  const next = withLayout({ ...good, spec }, layout);
  const face = good.family.face(layout);
  return spec.name === good.description && face.ok ? { ...next, name: face.value.description } : next;
}

/** Problems that have no field of their own on this page. */
function OtherProblems({ problems }: { problems: readonly Problem[] }) {
  const shown = ['name', 'a4', 'notes'];
  const others = problems.filter((p) => !shown.includes(p.field) && !/^layout\..+\./.test(p.field));
  if (others.length === 0) return null;
  return (
    <ul className="editor-problems" role="alert">
      {others.map((problem) => (
        <li key={problem.field}>{problem.message}</li>
      ))}
    </ul>
  );
}
