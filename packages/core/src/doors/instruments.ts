/** Families of instruments, their layouts and drawings. */

export type { Family, OwnKey } from '../families/contract.ts';
export { families, FAMILY_IDS, familyById, type FamilyId } from '../families/index.ts';
export type {
  Capability,
  CapabilityGroup,
  ElementChange,
  ElementValue,
  FactTable,
  LayoutElement,
} from '../families/layoutPart.ts';
export type { Timbre } from '../families/timbre.ts';
export type { AirKind } from '../families/air.ts';
export type { AirNames, Remark, Side, SideNames, Technique, Way } from '../families/way.ts';
export { parseScala, writeScala } from '../formats/scala.ts';
export {
  FIELDS_OF_ENTRIES,
  type Instrument,
  type InstrumentSpec,
  NAME_LIMIT,
  openInstrument,
  specFromLayout,
  specFromPreset,
} from '../instrument/instrument.ts';
export { CENTS_RANGE } from '../instrument/personal.ts';
export { withLayout } from '../instrument/withLayout.ts';
export { type InventoryList, inventoryLists } from '../inventory/lists.ts';
export { chipShape } from '../scene/chip.ts';
export { elementOf } from '../scene/element.ts';
export type { GroupShape, Ink, Scene, Shape } from '../scene/scene.ts';
export { PRINT_PALETTE, sceneToSvg } from '../scene/svg.ts';
