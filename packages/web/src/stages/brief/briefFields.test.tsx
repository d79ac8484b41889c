import { inWords } from '@anvilstone/core/foundations';
import { LOAD_KIND_WORDS } from '@anvilstone/core/decisions';
import { lampArm, sampleBriefs } from '@anvilstone/core/education/sample';
import { usualLoads } from '@anvilstone/core/materials';
import { findPartModel, partModels, withPart } from '@anvilstone/core/shapes';
import { LOAD_KINDS, type Brief, type LoadKind, type PartGeometry } from '@anvilstone/schema';
import { FirstPart } from '../parts/list/FirstPart.tsx';
import { newBrief } from '../parts/new/newBrief.ts';
import { drawn, drawnFor, LEAKS, textOf, wordsOf } from '../../testing/testPage.tsx';
import { DemandReadout } from './DemandReadout.tsx';
import { GeometryFields } from './shape/GeometryFields.tsx';
import { LimitFields } from './shape/LimitFields.tsx';
import { LoadFields } from './loads/LoadFields.tsx';
import { ModelCards } from './shape/ModelChooser.tsx';
import { StillToSay } from './StillToSay.tsx';

const ignore = () => undefined;
const labelsOf = (root: ReturnType<typeof drawn>) => root.querySelectorAll('label').map(textOf);
/** A new part of each kind, and every part of the sample. */
const BRIEFS: readonly (readonly [string, Brief])[] = [
  ...partModels.map(({ title, start }) => [title, withPart(newBrief, start)] as const),
  ...sampleBriefs.map((brief) => [brief.title, brief] as const),
];

describe.each(BRIEFS)('%s', (_title, brief) => {
  test('every dimension has a field with its unit, once, in words', () => {
    const root = drawnFor(brief, <GeometryFields part={brief.part} onChange={ignore} />);
    const labels = labelsOf(root);
    expect(labels.length).toBeGreaterThan(1);
    expect(labels.every((label) => label !== '')).toBe(true);
    expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
  });
  test('in inches the same fields, with other numbers', () => {
    const fields = (units: 'metric' | 'inchPound') =>
      drawnFor(brief, <GeometryFields part={brief.part} onChange={ignore} />, { units });
    expect(labelsOf(fields('inchPound'))).toEqual(labelsOf(fields('metric')));
    const unitsOf = (root: ReturnType<typeof drawn>) => new Set(root.querySelectorAll('span[aria-hidden]').map(textOf));
    expect(unitsOf(fields('inchPound'))).not.toContain('mm');
    expect(unitsOf(fields('metric'))).toContain('mm');
  });
  test('each load offers the kinds that this part takes, and what each means', () => {
    const takes = findPartModel(brief.part.model).takes(brief.part);
    brief.loadCases.forEach((loadCase, index) => {
      const root = drawnFor(
        brief,
        <LoadFields brief={brief} index={index} onChange={ignore} onKind={ignore} onRemove={ignore} />,
      );
      const kinds = root.querySelectorAll('select')[0]!.querySelectorAll('option').map(textOf);
      expect(kinds).toEqual(LOAD_KINDS.filter((kind) => takes[kind]).map((kind) => LOAD_KIND_WORDS[kind].title));
      expect(textOf(root)).toContain(LOAD_KIND_WORDS[loadCase.kind ?? 'lasting'].means);
      expect(root.querySelector(`button[aria-label="Remove ${loadCase.name}"]`)).not.toBeNull();
      expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
    });
  });
  test('what it demands of a material follows, load by load', () => {
    const root = drawnFor(brief, <DemandReadout />);
    for (const { name } of brief.loadCases) expect(textOf(root)).toContain(name);
    const demands = root.querySelectorAll('dd').map(textOf);
    expect(demands.length).toBeGreaterThan(0);
    for (const demand of demands) expect(demand).toMatch(/^[\d.]+(e−?\d+)? (MPa|J|%|N|mm)/);
    const steps = root.querySelectorAll('ol li').map((item) => Number(textOf(item.querySelector('span[title]')!)));
    // No ask brings a grade back that another has taken out.
    expect(steps).toEqual([...steps].sort((a, b) => b - a));
  });
});

describe('a load', () => {
  const one = (kind: LoadKind, rest: object = {}) => ({ ...lampArm.loadCases[0]!, kind, ...rest });
  const limits = (kind: LoadKind, rest: object = {}, part: PartGeometry = lampArm.part) =>
    labelsOf(
      drawnFor(lampArm, <LimitFields part={part} kind={kind} loadCase={one(kind, rest)} index={0} onChange={ignore} />),
    );
  test('that knocks is asked what must be left of it, not how far it moves', () =>
    expect(limits('knock')).toEqual(['Required after impact']));
  test('that is held is asked what it must still hold', () =>
    expect(limits('held')).toEqual(['Required retained force']));
  test('that stays is asked at once and at the end; that comes once only at once', () => {
    expect(limits('lasting')).toHaveLength(3);
    expect(limits('short')).toHaveLength(1);
  });
  test('with a limit on what stays, the time to come back is asked too', () =>
    expect(limits('lasting', { maxLeftMm: 1 })).toContain('Recovery time'));
  test('a hook is bent on purpose: no limit on its movement is offered', () => {
    const snap = partModels.find(({ id }) => id === 'snap-hook')!.start;
    expect(limits('repeated', {}, snap)).toEqual([]);
  });
  test('without a name cannot be saved, and says so at its place', () => {
    const nameless = { ...lampArm, loadCases: [{ ...lampArm.loadCases[0]!, name: ' ' }] };
    const root = drawnFor(
      nameless,
      <LoadFields brief={nameless} index={0} onChange={ignore} onKind={ignore} onRemove={undefined} />,
    );
    expect(textOf(root)).toContain('A name is needed before it can be saved.');
    expect(root.querySelectorAll('button').map(textOf)).not.toContain('Remove');
  });
  test('usual sizes have their reasons', () => {
    for (const { title, reasoning } of usualLoads) {
      expect(title).not.toBe('');
      expect(inWords(reasoning).length).toBeGreaterThan(20);
    }
  });
});

describe('what is still to say', () => {
  test('is said at the top, each a way to its field', () => {
    const root = drawn(<StillToSay brief={newBrief} />);
    expect(root.querySelectorAll('button').map(textOf)).toEqual(['name', 'function', 'consequence of failure']);
    expect(textOf(root)).toMatch(/name ?, ?function ?and ?consequence/);
  });
  test('and nothing once it is all said', () => expect(drawn(<StillToSay brief={lampArm} />).innerHTML).toBe(''));
});

describe('kinds of parts', () => {
  test('each has a picture without words, what it does and an example', () => {
    const cards = drawn(<ModelCards onChoose={ignore} chosen="beam" />).querySelectorAll('button');
    expect(cards).toHaveLength(partModels.length);
    cards.forEach((card, i) => {
      expect(card.querySelectorAll('svg text').map(textOf)).toEqual([]);
      expect(textOf(card)).toContain(`It ${partModels[i]!.does}`);
    });
    expect(cards.filter((card) => card.getAttribute('aria-pressed') === 'true')).toHaveLength(1);
  });
  test('an empty workshop asks what the part does, and says when there is nothing to choose from', () => {
    const page = (gradeCount: number | undefined) => textOf(drawn(<FirstPart gradeCount={gradeCount} />));
    expect(page(0)).toContain('No grades yet');
    expect(page(70)).not.toContain('There are no grades');
    // Not known yet is not none.
    expect(page(undefined)).not.toContain('There are no grades');
    expect(page(70)).toContain('What does your part do?');
  });
});
