import Button from '@mui/material/Button';
import { useState } from 'react';
import { scaleById, searchScales, SCALES, formulaText, scaleGroupName } from '@same-song/core/music';
import { useShortcuts } from '../frame/shortcuts.ts';
import { instrumentChoices } from '../question/KeyWords.tsx';
import type { QuestionState } from '../question/useQuestion.ts';
import { PickerPopover, type Choice } from '../question/WordPicker.tsx';

/** Sets another scale on this instrument, or this scale on another instrument, beside the map. */
export function CompareButton({ state }: { state: QuestionState }) {
  const [open, setOpen] = useState(false);
  const [anchor, setAnchor] = useState<HTMLButtonElement | null>(null);
  const { against, compareWith } = state;
  const press = () => (against ? compareWith(undefined) : setOpen(true));
  useShortcuts([
    {
      key: 'v',
      label: 'Compare with another scale or instrument, or end it',
      group: 'The question',
      run: press,
    },
  ]);
  return (
    <>
      <Button ref={setAnchor} variant="text" onClick={press} aria-haspopup="dialog" title="V">
        {against ? 'End comparing' : 'Compare'}
      </Button>
      <PickerPopover
        name="other scale or instrument"
        placeholder="A scale, an instrument …"
        anchor={() => anchor}
        open={open}
        onOpen={setOpen}
        search={(text) => ({ choices: [...scaleChoices(text, state), ...otherInstruments(text, state)] })}
        onChoose={compareWith}
      />
    </>
  );
}

function scaleChoices(text: string, { question }: QuestionState): Choice[] {
  const found = text.trim() === '' ? SCALES.slice(0, 12) : searchScales(text).scales;
  return found
    .filter((scale) => scale.id !== question.scale && scaleById(scale.id).ok)
    .map((scale) => ({
      id: `play:${scale.id}`,
      label: scale.name,
      about: formulaText(scale.degrees),
      group: `Another scale: ${scaleGroupName(scale)}`,
    }));
}

function otherInstruments(text: string, state: QuestionState): Choice[] {
  return instrumentChoices(text, state)
    .choices.filter((choice) => !choice.current)
    .map((choice) => ({ ...choice, id: `on:${choice.id}` }));
}
