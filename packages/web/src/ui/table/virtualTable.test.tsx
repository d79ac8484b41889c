import { drawn, textOf } from '../../testing/testPage.tsx';
import type { Sort, TableColumn } from './tableColumn.ts';
import { VirtualTable } from './VirtualTable.tsx';

interface Line {
  name: string;
}
const lines = (count: number): Line[] => Array.from({ length: count }, (_, i) => ({ name: `row ${i + 1}` }));
const columns: TableColumn<Line>[] = [
  { id: 'rank', title: 'Rank', isUntitled: true, px: 30 },
  { id: 'name', title: 'Name', px: 100, staysAtPx: 0, sorts: 'rising' },
  { id: 'mass', title: 'Mass', unit: 'g', px: 60, isRight: true, sorts: 'falling', shares: true },
  { id: 'seen', title: 'Seen', px: 60 },
];
const table = ({
  sort = null,
  rows = lines(3),
  whole = true,
}: {
  sort?: Sort | null;
  rows?: Line[];
  whole?: boolean;
}) =>
  drawn(
    <VirtualTable
      label="Things"
      className=""
      columns={columns}
      rows={rows}
      rowPx={() => 20}
      sort={sort}
      onSort={() => undefined}
      whole={whole}
      empty={<p>Nothing here.</p>}
    >
      {({ original }, index) => (
        <tr key={original.name} aria-rowindex={index + 2}>
          <td>{original.name}</td>
        </tr>
      )}
    </VirtualTable>,
  );
const head = (title: string, sort: Sort | null) =>
  table({ sort })
    .querySelectorAll('th')
    .find((one) => textOf(one).startsWith(title))!;

describe('a heading that sorts', () => {
  test.each([
    [null, 'none', 'Name'],
    [{ by: 'name', descending: true }, 'descending', 'Name ↓'],
    [{ by: 'name', descending: false }, 'ascending', 'Name ↑'],
    [{ by: 'mass', descending: true }, 'none', 'Name'],
  ] as const)('%j is told as %s', (sort, told, text) => {
    expect(head('Name', sort).getAttribute('aria-sort')).toBe(told);
    expect(textOf(head('Name', sort))).toBe(text);
  });
  test('says its unit, and stays where it is told to', () => {
    expect(textOf(head('Mass', null))).toBe('Massg');
    expect(head('Name', null).getAttribute('style')).toBe('left:0');
    expect(head('Mass', null).hasAttribute('style')).toBe(false);
  });
  test('others are no buttons, and one without a title is still said', () => {
    expect(head('Seen', null).querySelector('button')).toBeNull();
    expect(head('Seen', null).hasAttribute('aria-sort')).toBe(false);
    expect(head('Rank', null).querySelector('.sr-only')).not.toBeNull();
  });
});

test('a column that shares has no width of its own; the table is never narrower than all of them', () => {
  const root = table({});
  expect(root.querySelectorAll('col').map((col) => col.getAttribute('style') ?? '')).toEqual([
    'width:30px',
    'width:100px',
    '',
    'width:60px',
  ]);
  expect(root.querySelector('table')!.getAttribute('style')).toBe('min-width:250px');
});

test('on paper stand as many rows as it bears, and how many there are', () => {
  const root = table({ rows: lines(300) });
  expect(root.querySelectorAll('tbody tr')).toHaveLength(250);
  expect(textOf(root)).toContain('250 of 300 rows, as they stood on the screen');
  expect(root.querySelector('table')!.getAttribute('aria-rowcount')).toBe('301');
  expect(textOf(table({ rows: lines(250) }))).not.toContain('as they stood on the screen');
});

test('on a screen that has not been measured yet no row is drawn', () => {
  expect(table({ rows: lines(300), whole: false }).querySelectorAll('tbody tr[aria-rowindex]')).toHaveLength(0);
});

test('an empty table says why', () => {
  expect(textOf(table({ rows: [] }))).toContain('Nothing here.');
  expect(textOf(table({}))).not.toContain('Nothing here.');
});
