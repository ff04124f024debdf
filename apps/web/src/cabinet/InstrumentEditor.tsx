import TextField from '@mui/material/TextField';
import type { Problem } from '@same-song/core';
import { withLayout, type Instrument, type InstrumentSpec } from '@same-song/core/instruments';
import type { InstrumentRecord } from '../api/records.ts';
import { lazyPart } from '../frame/lazyPart.tsx';
import { CapabilityFields } from './CapabilityFields.tsx';
import { ElementTable } from './ElementTable.tsx';
import { EditorHead } from './EditorHead.tsx';
import { LayoutDrawing } from './LayoutDrawing.tsx';
import { PitchStandardField } from './PitchStandardField.tsx';
import { useInstrumentEditor, type InstrumentEditorState } from './useInstrumentEditor.ts';

const AlternatesPanel = lazyPart(
  'The choice of fingerings',
  async () => (await import('./AlternatesPanel.tsx')).AlternatesPanel,
);
const BinnedNotice = lazyPart(
  'What lies in the bin',
  async () => (await import('./BinnedNotice.tsx')).BinnedNotice,
);
const KeepLayout = lazyPart('Keeping layouts', async () => (await import('./KeepLayout.tsx')).KeepLayout);
const LayoutFiles = lazyPart('Layouts as files', async () => (await import('./LayoutFiles.tsx')).LayoutFiles);
const ClashChoice = lazyPart('The choice', async () => (await import('./ClashChoice.tsx')).ClashChoice);

/** One instrument: everything about it can be changed, and the drawing follows at once. */
export function InstrumentEditor({ record, binned }: { record: InstrumentRecord; binned: boolean }) {
  const editor = useInstrumentEditor(record, binned);
  const { draft, spec, busy, clash, good, problems, problemAt, step, save } = editor;
  return (
    <form
      className="editor"
      aria-label="The instrument"
      onSubmit={(event) => {
        event.preventDefault();
        save();
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
      {binned && <BinnedNotice record={record} />}
      {clash && <ClashChoice {...clash} />}
      {good && <LayoutDrawing instrument={good} stale={editor.isStale} />}
      <MainFields editor={editor} />
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
        <>
          <CapabilityFields
            instrument={good}
            spec={spec}
            onChange={(capability) => step('what it can do', { ...spec, capability })}
          />
          <AlternatesPanel
            instrument={good}
            spec={spec}
            problems={problems}
            onMeasured={(measured) => step('a measurement', { ...spec, measured })}
            onChoices={(choices) => step('the chosen way', { ...spec, choices })}
          />
        </>
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

/** The name, what the family lets choose of the whole, and the pitch standard. */
function MainFields({ editor }: { readonly editor: InstrumentEditorState }) {
  const { draft, spec, good, problemAt, step } = editor;
  return (
    <div className="editor-fields row" role="group" aria-label="Name and layout">
      <TextField
        label="Name"
        value={spec.name}
        onChange={(event) => draft.change({ ...spec, name: event.target.value })}
        error={problemAt('name') !== undefined}
        helperText={problemAt('name') ?? ' '}
        slotProps={{ htmlInput: { dir: 'auto' } }}
      />
      {good?.options.map(({ id, label, value, choices }) => (
        <TextField
          key={id}
          select
          label={label}
          value={value}
          slotProps={{ select: { native: true } }}
          helperText=" "
          onChange={(event) =>
            step(label.toLowerCase(), relaid(spec, good, good.withOption(id, event.target.value)))
          }
        >
          {choices.map((choice) => (
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
