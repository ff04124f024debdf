import { fireEvent, render } from '@testing-library/react';
import { expectOk } from '@same-song/core';
import {
  families,
  FAMILY_IDS,
  openInstrument,
  specFromPreset,
  type Scene,
} from '@same-song/core/instruments';
import { SceneView } from './SceneView.tsx';

const drawn = (id: (typeof FAMILY_IDS)[number]) => {
  const instrument = expectOk(openInstrument(specFromPreset(id, families[id].presets[0]!.id)));
  const scene = instrument.scene((way) => ({
    role: 'scale',
    degree: '1',
    note: 'C',
    usable: way.able,
  }));
  return { instrument, scene };
};

describe.each(FAMILY_IDS)('%s', (id) => {
  const { instrument, scene } = drawn(id);
  const ways = instrument.ways.map((way) => way.id);

  test('every way is drawn once, named and to be chosen by mouse and by Enter', () => {
    const chosen: string[] = [];
    const names = new Map(ways.map((way) => [way, `way ${way}`]));
    const { container } = render(
      <SceneView scene={scene} label="it" names={names} onSelect={(way) => chosen.push(way)} />,
    );
    const options = [...container.querySelectorAll('[role="option"]')];
    expect(options.map((o) => o.getAttribute('data-way')).sort()).toEqual([...ways].sort());
    for (const option of options)
      expect(option.querySelector('title')!.textContent).toBe(`way ${option.getAttribute('data-way')}`);
    fireEvent.click(options[0]!);
    fireEvent.keyDown(options[1 % options.length]!, { key: 'Enter' });
    fireEvent.keyDown(options[0]!, { key: 'x' });
    const [first, second] = [options[0]!, options[1 % options.length]!];
    expect(chosen).toEqual([first.getAttribute('data-way'), second.getAttribute('data-way')]);
  });

  test('no number in it is none, and nothing has a size below nothing', () => {
    const { container } = render(<SceneView scene={scene} label="it" />);
    expect(container.innerHTML).not.toMatch(/NaN|undefined|Infinity/);
    for (const rect of container.querySelectorAll('rect'))
      for (const side of ['width', 'height'])
        expect(Number(rect.getAttribute(side))).toBeGreaterThanOrEqual(0);
    expect(container.querySelector('svg')!.getAttribute('role')).toBe('img');
  });

  test('what is used is underlined, what is chosen is framed, what sounds the same is framed lightly', () => {
    const [a, b, c] = [ways[0]!, ways[1] ?? ways[0]!, ways.at(-1)!];
    const marks = (props: object) => {
      const { container, unmount } = render(
        <SceneView scene={scene} label="it" onSelect={() => undefined} {...props} />,
      );
      const count = new Map(
        ways.map((way) => [
          way,
          container.querySelector(`[data-way="${way}"]`)!.querySelectorAll('*').length,
        ]),
      );
      const selected = container.querySelectorAll('[aria-selected="true"]').length;
      unmount();
      return { count, selected };
    };
    const bare = marks({});
    const marked = marks({ used: new Set([a]), selected: b, related: new Set([c]) });
    expect([bare.selected, marked.selected]).toEqual([0, 1]);
    for (const way of ways) {
      const more = marked.count.get(way)! - bare.count.get(way)!;
      expect(more).toBe((way === a ? 1 : 0) + (way === b || way === c ? 1 : 0));
    }
  });
});

test('a scene without anything to choose is a picture with its name', () => {
  const scene: Scene = {
    title: 'plain',
    widthMm: 10,
    heightMm: 5,
    shapes: [
      { kind: 'rect', x: 1, y: 1, width: 2, height: 2, fill: 'hatch' },
      { kind: 'path', d: 'M0 0H4', stroke: 'ink', dashed: true },
      { kind: 'text', x: 1, y: 1, text: 'C♯', sizeMm: 3, ink: 'ink' },
    ],
  };
  const { getByRole, container } = render(<SceneView scene={scene} label="a plain one" />);
  expect(getByRole('img', { name: 'a plain one' })).toBeTruthy();
  expect(container.querySelector('rect[fill="url(#hatch)"]')).toBeTruthy();
  expect(container.querySelector('path[stroke-dasharray]')).toBeTruthy();
  expect(container.querySelector('text')!.textContent).toBe('C♯');
});
