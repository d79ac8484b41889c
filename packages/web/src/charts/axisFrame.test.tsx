import { drawn, textOf } from '../testing/testPage.tsx';
import { acrossOf, AxisFrame, ticksAt, upOf } from './AxisFrame.tsx';

const box = { width: 200, height: 100, left: 40, right: 10, top: 5, bottom: 30 };

test('a plot lies between its margins, from its foot up', () => {
  expect(acrossOf(box)).toEqual([40, 190]);
  expect(upOf(box)).toEqual([70, 5]);
});

test('marks say what they measure; the last of the foot stays inside, and the one that decides is drawn strong', () => {
  const root = drawn(
    <svg>
      <AxisFrame
        box={box}
        x={ticksAt([40, 190], Number, (value) => `${value} s`)}
        y={[
          { at: 5, text: '2' },
          { at: 37, text: '1', strong: true },
        ]}
        xTitle="time"
        yTitle="reserve factor"
      />
    </svg>,
  );
  expect(root.querySelectorAll('text').map((one) => [textOf(one), one.getAttribute('text-anchor')])).toEqual([
    ['2', 'end'],
    ['1', 'end'],
    ['40 s', 'middle'],
    ['190 s', 'end'],
    ['time', 'end'],
    ['↑ reserve factor', undefined],
  ]);
  expect(root.querySelectorAll('line').map((one) => one.getAttribute('class'))).toEqual(['stroke-line', 'stroke-ink']);
});

test('words at the foot do not run into each other: of two that collide the further one stays', () => {
  const x = [100, 150, 160, 190].map((at) => ({ at, text: `${at}000` }));
  const root = drawn(
    <svg>
      <AxisFrame box={box} x={x} y={[]} />
    </svg>,
  );
  expect(root.querySelectorAll('text').map((one) => textOf(one))).toEqual(['100000', '190000']);
});
