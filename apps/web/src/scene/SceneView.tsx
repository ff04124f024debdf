import { createElement, memo, type KeyboardEvent, type ReactNode } from 'react';
import { elementOf, type GroupShape, type Ink, type Scene, type Shape } from '@same-song/core/instruments';
import { useRoving } from '../frame/roving.ts';
import './scene.css';

/** What is marked in a drawing and what choosing does. */
interface SceneViewProps {
  readonly scene: Scene;
  /** Says what the drawing is, to a screen reader. */
  readonly label: string;
  /** Names of the choosable groups; a group without one keeps the drawing's own. */
  readonly names?: ReadonlyMap<string, string>;
  readonly selected?: string | undefined;
  /** Ids that are chosen, where several can be. */
  readonly chosen?: ReadonlySet<string>;
  /** Ids that sound the same as the selected one. */
  readonly related?: ReadonlySet<string>;
  /** Ids used by the line. */
  readonly used?: ReadonlySet<string>;
  /** Nothing is told of them but where they lie: for who is asked. */
  readonly plain?: boolean;
  /** How hot each of them is, from 0 to 3: where it goes wrong. */
  readonly heat?: ReadonlyMap<string, number>;
  readonly onSelect?: (id: string) => void;
  /** Arrows move within the drawing, Space chooses; where the page's own arrows do not walk it. */
  readonly walked?: boolean;
}

/** Draws a scene as SVG; the one renderer for every family, on screen and on paper. */
export const SceneView = memo(function SceneView(props: SceneViewProps) {
  const { scene, label, onSelect, walked = false } = props;
  const roving = useRoving<SVGSVGElement>('[data-way]', walked);
  return (
    <svg
      {...(onSelect ? roving : {})}
      className="scene"
      viewBox={`0 0 ${scene.widthMm} ${scene.heightMm}`}
      role={onSelect ? 'listbox' : 'img'}
      {...(props.chosen && onSelect && { 'aria-multiselectable': true })}
      aria-label={label}
      preserveAspectRatio="xMidYMid meet"
    >
      <defs>
        <pattern
          id="hatch"
          width="1.6"
          height="1.6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 0V1.6" stroke="var(--ink)" strokeWidth="0.5" />
        </pattern>
      </defs>
      {drawn(scene.shapes, props)}
    </svg>
  );
});

/** Elements and no components: a drawing has hundreds of shapes, and each would be one more thing to look after. */
function drawn(shapes: readonly Shape[], props: SceneViewProps): ReactNode {
  return shapes.map((shape, index) => shapeElement(shape, index, props));
}

function shapeElement(shape: Shape, key: number, props: SceneViewProps): ReactNode {
  if (shape.kind === 'group')
    return shape.id ? choosableGroup(shape, shape.id, key, props) : plainGroup(shape, key, props);
  const { tag, attributes, text } = elementOf(shape, inkOf);
  return createElement(tag, { key, ...attributes }, text);
}

function inkOf(ink: Ink): string {
  return `var(--${ink})`;
}

function plainGroup(shape: GroupShape, key: number, props: SceneViewProps): ReactNode {
  return (
    <g key={key}>
      {shape.label && <title>{shape.label}</title>}
      {drawn(shape.shapes, props)}
    </g>
  );
}

function choosableGroup(shape: GroupShape, id: string, key: number, props: SceneViewProps): ReactNode {
  const { selected, chosen, related, used, onSelect, names, heat, plain = false, walked = false } = props;
  const hot = heat?.get(id) ?? 0;
  const { box } = shape;
  const isSelected = selected === id || (chosen?.has(id) ?? false);
  const choose = onSelect && {
    role: 'option',
    tabIndex: -1,
    'aria-selected': isSelected,
    onClick: () => onSelect(id),
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key !== 'Enter' && !(walked && event.key === ' ')) return;
      event.preventDefault();
      onSelect(id);
    },
  };
  return (
    <g key={key} className="chip" data-way={id} {...choose}>
      <title>{names?.get(id) ?? (plain ? '' : shape.label)}</title>
      {box && onSelect && (
        <rect x={box.x} y={box.y} width={box.width} height={box.height} fill="transparent" />
      )}
      {plain && box ? (
        <rect
          x={box.x + 0.6}
          y={box.y + 0.6}
          width={box.width - 1.2}
          height={box.height - 1.2}
          rx={2}
          fill="var(--leaf)"
          stroke="var(--ink)"
          strokeWidth={0.5}
        />
      ) : (
        <g aria-hidden="true">{drawn(shape.shapes, props)}</g>
      )}
      {box && hot > 0 && (
        <rect
          x={box.x - 1}
          y={box.y - 1}
          width={box.width + 2}
          height={box.height + 2}
          rx={2}
          fill="var(--home)"
          fillOpacity={hot * 0.17}
          stroke="var(--home)"
          strokeWidth={hot * 0.6}
        />
      )}
      {box && used?.has(id) && (
        <path
          d={`M${box.x + 2.5} ${box.y + box.height + 1.3} H${box.x + box.width - 2.5}`}
          stroke="var(--brass)"
          strokeWidth={1.1}
          strokeLinecap="round"
        />
      )}
      {box && (isSelected || related?.has(id)) && (
        <rect
          x={box.x - 1.2}
          y={box.y - 1.2}
          width={box.width + 2.4}
          height={box.height + 2.4}
          rx={2.4}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={isSelected ? 1 : 0.5}
          strokeDasharray={isSelected ? undefined : '1.5 1'}
        />
      )}
    </g>
  );
}
