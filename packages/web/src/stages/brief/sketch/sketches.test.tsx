import { sampleBriefs } from '@anvilstone/core/education/sample';
import { LAYER_NORMAL, partBody, partModels } from '@anvilstone/core/shapes';
import { ORIENTATIONS, type PartGeometry, type SectionGeometry } from '@anvilstone/schema';
import { drawn, LEAKS, textOf, wordsOf } from '../../../testing/testPage.tsx';
import { layersInWords, PartSketch } from './PartSketch.tsx';
import { sectionPath, sectionSize } from './sectionOutline.ts';
import { layerLines } from './SketchContext.ts';

const ignore = () => undefined;
const PARTS: readonly (readonly [string, PartGeometry])[] = [
  ...partModels.map(({ title, start }) => [title, start] as const),
  ...sampleBriefs.map(({ title, part }) => [title, part] as const),
];

/** What a pointer of a dimension leads to. */
const at = (part: PartGeometry, pointer: string): unknown =>
  pointer
    .slice(1)
    .split('/')
    .reduce<unknown>((value, key) => (value as Record<string, unknown> | undefined)?.[key], part);

describe.each(PARTS)('%s', (title, part) => {
  const sketch = (more: Partial<Parameters<typeof PartSketch>[0]> = {}) =>
    drawn(
      <PartSketch
        part={part}
        orientation="XZ"
        title={title}
        label={(mm) => `${mm}`}
        load="9 N"
        onDimension={ignore}
        {...more}
      />,
    );
  test('is drawn with its load, and with numbers that can be moved by keyboard', () => {
    const root = sketch();
    expect(root.querySelector('svg')!.getAttribute('aria-label')).toBe(title);
    expect(root.querySelectorAll('path').length).toBeGreaterThan(0);
    for (const slider of root.querySelectorAll('[role=slider]')) {
      expect(slider.getAttribute('tabindex')).toBe('0');
      expect(Number(slider.getAttribute('aria-valuenow'))).toBeGreaterThan(0);
      expect(slider.getAttribute('aria-valuetext')).toBe(slider.getAttribute('aria-valuenow'));
      expect(slider.getAttribute('aria-label')).toMatch(/: drag, or use the arrow keys$/);
    }
    expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
  });
  test('no coordinate is lost', () => {
    const numbers = sketch()
      .querySelectorAll('*')
      .flatMap((one) =>
        ['d', 'x', 'y', 'x1', 'x2', 'y1', 'y2', 'cx', 'cy', 'r', 'width', 'height', 'transform'].map((name) =>
          one.getAttribute(name),
        ),
      )
      .filter((text) => text !== undefined);
    expect(numbers.filter((text) => /NaN|undefined|Infinity/.test(text))).toEqual([]);
  });
  test('where nothing may be changed there is nothing to drag', () =>
    expect(sketch({ onDimension: undefined }).querySelectorAll('[role=slider]')).toEqual([]));
  test('as a small picture it has no words', () => {
    const root = sketch({ bare: true });
    expect(root.querySelectorAll('text').map(textOf)).toEqual([]);
    expect(root.querySelectorAll('[role=slider]')).toEqual([]);
    expect(root.querySelector('svg')!.getAttribute('role')).toBe('presentation');
  });
  test('the place that governs is ringed, and only that', () => {
    const body = partBody(part);
    const ids = new Set(Object.values(body.responses).flatMap((response) => response.places.map(({ id }) => id)));
    const ringed = [...ids].filter((id) => sketch({ governs: id }).querySelectorAll('[data-governs]').length === 1);
    expect(sketch({ governs: 'nowhere' }).querySelectorAll('[data-governs]')).toEqual([]);
    // A place inside may have none of its own in the drawing; most have.
    expect(ringed.length * 2).toBeGreaterThanOrEqual(ids.size);
  });
  test.each(ORIENTATIONS)('built %s its layers are said in words', (orientation) => {
    expect(layersInWords(part, orientation)).toMatch(/^(XY flat|XZ on edge|ZX upright): layers stacked .+\.$/);
  });
});

test('layers show as lines where they are seen from the side, and as one face from above', () => {
  for (const orientation of ORIENTATIONS) {
    const normal = LAYER_NORMAL[orientation];
    const [one, other] = (['length', 'width', 'depth'] as const).filter((axis) => axis !== normal) as [
      'length' | 'width' | 'depth',
      'length' | 'width' | 'depth',
    ];
    expect(layerLines(orientation, one, normal)).toBe('along');
    expect(layerLines(orientation, normal, one)).toBe('upright');
    expect(layerLines(orientation, one, other)).toBe('none');
  }
});

describe('a section', () => {
  const sections: readonly [SectionGeometry, number, number][] = [
    [{ kind: 'rectangle', widthMm: 16, depthMm: 20 }, 16, 20],
    [{ kind: 'box', widthMm: 30, depthMm: 20, wallMm: 3 }, 30, 20],
    [{ kind: 'round', diameterMm: 12 }, 12, 12],
    [{ kind: 'tube', outerDiameterMm: 40, wallMm: 3 }, 40, 40],
  ];
  test.each(sections)(
    '%j is as wide and deep as stated, its pointers lead to those numbers',
    (section, width, depth) => {
      const size = sectionSize(section);
      expect([size.widthMm, size.depthMm]).toEqual([width, depth]);
      const part = { section } as unknown as PartGeometry;
      if (size.depthPointer) expect(at(part, size.depthPointer)).toBe(depth);
      if (size.widthPointer) expect(at(part, size.widthPointer)).toBe(width);
    },
  );
  test('a wall thicker than the section does not break the drawing', () => {
    const path = sectionPath({ kind: 'box', widthMm: 10, depthMm: 10, wallMm: 30 }, [0, 0], 4);
    expect(path).not.toMatch(/NaN/);
    expect(sectionPath({ kind: 'tube', outerDiameterMm: 10, wallMm: 30 }, [0, 0], 4)).not.toMatch(/NaN/);
  });
  test('a polygon that cannot be one is drawn at a stand-in size', () => {
    const broken = { kind: 'polygon', points: [] } as unknown as SectionGeometry;
    expect(sectionSize(broken)).toMatchObject({ widthMm: 10, depthMm: 10 });
  });
});

test('a drawing says its numbers in the reader’s words', () => {
  const root = drawn(
    <PartSketch
      part={sampleBriefs[0]!.part}
      orientation="XZ"
      title="arm"
      label={(mm) => `${(mm / 25.4).toFixed(2)} in`}
      load="2 lbf"
    />,
  );
  expect(textOf(root)).toMatch(/8\.66 in/);
  expect(textOf(root)).toContain('2 lbf');
});
