import { drawn, textOf } from '../testing/testPage.tsx';
import { Choice, Field, TextArea, TextField, Tick } from './fields.tsx';
import { QuantityField, type QuantityFieldProps } from './QuantityField.tsx';

const ignore = () => undefined;
const quantity = (props: Partial<QuantityFieldProps>, units: 'metric' | 'inchPound' = 'metric') =>
  drawn(<QuantityField label="Load" dimension="force" value={undefined} onChange={ignore} {...props} />, { units });
const shown = (props: Partial<QuantityFieldProps>, units: 'metric' | 'inchPound' = 'metric') => {
  const root = quantity(props, units);
  return [root.querySelector('input')!.getAttribute('value'), textOf(root.querySelector('[aria-hidden]')!)];
};

describe('a quantity', () => {
  test('is shown in the reader’s unit, with the unit beside it', () => {
    expect(shown({ dimension: 'force', value: 44.48221615 })).toEqual(['44.4822', 'N']);
    expect(shown({ dimension: 'force', value: 44.48221615 }, 'inchPound')).toEqual(['10', 'lbf']);
    expect(shown({ dimension: 'temperature', value: -40 })).toEqual(['−40', '°C']);
    expect(shown({ dimension: 'temperature', value: -40 }, 'inchPound')).toEqual(['−40', '°F']);
    expect(shown({ dimension: 'length', value: 25.4 }, 'inchPound')).toEqual(['1', 'in']);
  });
  test('that is not stated is an empty field, and no zero', () => {
    expect(shown({ value: undefined })[0]).toBe('');
    expect(shown({ value: 0 })[0]).toBe('0');
  });
  test('what is wrong with it stands beside it, tied to it', () => {
    const root = quantity({ value: 5, error: 'More than the machine can lift.' });
    const input = root.querySelector('input')!;
    const note = root.querySelector(`[id="${input.getAttribute('aria-describedby')}"]`)!;
    expect(input.getAttribute('aria-invalid')).toBe('true');
    expect(textOf(note)).toContain('More than the machine can lift.');
  });
  test('without a fault its hint is said there', () => {
    const root = quantity({ value: 5, hint: 'empty = no requirement' });
    expect(root.querySelector('input')!.getAttribute('aria-invalid')).toBe('false');
    expect(textOf(root)).toContain('empty = no requirement');
  });
  test('text can be typed into it: “3/16 in” is no number to a number field', () => {
    const input = quantity({}).querySelector('input')!;
    expect(input.getAttribute('type')).toBeUndefined();
    expect(input.getAttribute('inputmode')).toBe('text');
  });
});

describe('fields', () => {
  test.each([
    ['a line', <TextField key="t" label="Name" value="Arm" onChange={ignore} />, 'input'],
    ['a text', <TextArea key="a" label="Name" value="Arm" onChange={ignore} />, 'textarea'],
    [
      'a choice',
      <Choice key="c" label="Name" value="a" options={[{ value: 'a', label: 'A' }]} onChange={ignore} />,
      'select',
    ],
  ])('%s belongs to its label', (_what, element, tag) => {
    const root = drawn(element);
    expect(root.querySelector('label')!.getAttribute('for')).toBe(root.querySelector(tag)!.id);
    expect(textOf(root.querySelector('label')!)).toBe('Name');
  });
  test('a fault takes the place of the hint', () => {
    const root = drawn(
      <Field label="Name" error="Needed." hint="as on the drawing">
        {(ids) => <input {...ids} />}
      </Field>,
    );
    expect(textOf(root)).toContain('Needed.');
    expect(textOf(root)).not.toContain('as on the drawing');
  });
  test('a choice shows what is chosen and offers all', () => {
    const root = drawn(
      <Choice
        label="Build orientation"
        value="XZ"
        options={(['XY', 'XZ', 'ZX'] as const).map((value) => ({ value, label: `built ${value}` }))}
        onChange={ignore}
      />,
    );
    expect(root.querySelectorAll('option').map(textOf)).toEqual(['built XY', 'built XZ', 'built ZX']);
    expect(root.querySelectorAll('option[selected]').map((one) => one.getAttribute('value'))).toEqual(['XZ']);
  });
  test('a tick is named by its words', () => {
    const root = drawn(<Tick label="Dry" checked onChange={ignore} />);
    expect(textOf(root.querySelector('label')!)).toBe('Dry');
    expect(root.querySelector('input')!.hasAttribute('checked')).toBe(true);
  });
  test('no text may be longer than it is kept', () => {
    expect(
      drawn(<TextField label="Name" value="" maxLength={120} onChange={ignore} />)
        .querySelector('input')!
        .getAttribute('maxlength'),
    ).toBe('120');
    expect(
      drawn(<TextArea label="Why" value="" onChange={ignore} />)
        .querySelector('textarea')!
        .getAttribute('maxlength'),
    ).toBe('4000');
  });
});
