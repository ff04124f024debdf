import Parse from 'abcjs/src/parse/abc_parse.js';

/*
 * What the parser gives, as far as it is read here; its own types leave most of it open.
 */
export interface AbcPitch {
  /** Steps of the staff above middle C. */
  readonly pitch: number;
  readonly accidental?: string;
  readonly startTie?: object;
}

export interface AbcElement {
  readonly el_type: string;
  readonly startChar: number;
  readonly endChar: number;
  /** Of a note in whole notes, of a tempo the beats it counts. */
  readonly duration?: number | readonly number[];
  readonly pitches?: readonly AbcPitch[];
  readonly rest?: { readonly type: string; readonly text?: number };
  readonly gracenotes?: readonly AbcPitch[];
  readonly decoration?: readonly string[];
  readonly chord?: readonly { readonly name: string; readonly position?: string | null }[];
  readonly startTriplet?: number;
  readonly tripletMultiplier?: number;
  readonly endTriplet?: boolean;
  /** Of a bar line. */
  readonly type?: string;
  readonly startEnding?: string;
  readonly endEnding?: boolean;
  /** Of a section. */
  readonly title?: string;
  readonly bpm?: number;
  readonly value?: readonly { readonly num: string; readonly den?: string }[];
  readonly accidentals?: readonly AbcAccidental[];
  readonly root?: string;
  readonly acc?: string;
  readonly mode?: string;
}

export interface AbcAccidental {
  readonly acc: string;
  readonly note: string;
}

export type AbcKey = Pick<AbcElement, 'accidentals' | 'root' | 'acc' | 'mode'>;
export type AbcMetre = Pick<AbcElement, 'type' | 'value'>;

export interface AbcTune {
  readonly metaText: { readonly tempo?: AbcElement };
  readonly warnings: readonly { readonly message: string; readonly startChar: number }[];
  readonly lines: readonly {
    readonly staff?: readonly {
      readonly key: AbcKey;
      readonly meter?: AbcMetre;
      readonly voices: readonly (readonly AbcElement[])[];
    }[];
  }[];
}

/** Parses one tune of one voice. @throws what the parser throws on what it cannot take in */
export function parseTune(text: string): AbcTune {
  const parser = new Parse();
  parser.parse(text, {});
  const tune = parser.getTune() as AbcTune;
  return { ...tune, warnings: (parser.getWarningObjects() ?? []) as AbcTune['warnings'] };
}
