import { guardBumper, lampArm, ratchetPawl, sampleLibrary } from '@anvilstone/core/education/sample';
import type { CheckStatus, EvidenceClass } from '@anvilstone/schema';
import { drawn, textOf } from '../testing/testPage.tsx';
import { Button } from './Button.tsx';
import { Cautions } from './Cautions.tsx';
import { Empty } from './Empty.tsx';
import { FactList } from './FactList.tsx';
import { Loading } from './Loading.tsx';
import { PageHead } from './PageHead.tsx';
import { Photos } from './Photos.tsx';
import { ProblemNotice } from './ProblemNotice.tsx';
import { Progress } from './Progress.tsx';
import { Evidence, Reserve, StatusMark, statusWord, statusWords } from './Reserve.tsx';
import { SaveOrCancel } from './SaveOrCancel.tsx';
import { SaveProblem } from './SaveProblem.tsx';
import { TableHead } from './TableHead.tsx';

const ALL: readonly CheckStatus[] = ['pass', 'fail', 'unknown', 'not-loaded'];

describe('a status', () => {
  test('has a shape, a colour and a word of its own', () => {
    const marks = ALL.map((status) => drawn(<StatusMark status={status} />).querySelector('svg')!);
    const own = (of: (mark: (typeof marks)[number]) => string | undefined) => new Set(marks.map(of)).size;
    expect(own((mark) => mark.querySelector('path')!.getAttribute('d'))).toBe(ALL.length);
    expect(own((mark) => mark.getAttribute('aria-label'))).toBe(ALL.length);
    expect(own((mark) => /text-\w+/.exec(mark.getAttribute('class')!)![0])).toBe(ALL.length);
    expect(marks.map((mark) => mark.getAttribute('role'))).toEqual(ALL.map(() => 'img'));
  });
  test('a pass on typical values is drawn thin and says so', () => {
    const thin = (evidence: EvidenceClass) =>
      drawn(<StatusMark status="pass" evidence={evidence} />).querySelector('svg')!;
    expect(thin('D').getAttribute('class')).toContain('stroke-1');
    expect(thin('D').getAttribute('aria-label')).toBe('passes on typical values, not tested');
    for (const tested of ['A', 'B', 'C'] as const) {
      expect(thin(tested).getAttribute('class')).toContain('stroke-2');
      expect(thin(tested).getAttribute('aria-label')).toBe('passes');
    }
  });
  test('a failure on typical values is a failure', () => {
    expect(statusWords('fail', 'D')).toBe('fails');
    expect(statusWords('unknown', 'D')).toBe('unknown');
    expect(statusWords('pass', null)).toBe(statusWord('pass'));
  });
});

describe('a reserve', () => {
  test.each([
    [1.999, 'pass', '1.99'],
    [0.999, 'fail', '0.99'],
    [1, 'pass', '1.00'],
    [250, 'pass', '> 20'],
    [0, 'fail', '0.00'],
  ] as const)('of %f that %ss is cut, never rounded up: %s', (reserve, status, text) =>
    expect(textOf(drawn(<Reserve reserve={reserve} status={status} />))).toBe(text),
  );
  test('that nobody knows says so, and shows no number', () =>
    expect(textOf(drawn(<Reserve reserve={null} status="unknown" />))).toBe('unknown'));
  test('of what is not stressed is a dash and no number', () => {
    const root = drawn(<Reserve reserve={null} status="not-loaded" />);
    expect(textOf(root)).toBe('');
    expect(root.querySelector('svg')!.getAttribute('aria-label')).toBe('not stressed this way');
  });
});

describe('evidence', () => {
  test.each([
    ['A', /five or more/],
    ['B', /three or more/],
    ['C', /Adjusted from/],
    ['D', /estimate/],
  ] as const)('%s says what it means', (evidence, means) => {
    const letter = drawn(<Evidence evidence={evidence} />).querySelector('abbr')!;
    expect(letter.text).toBe(evidence);
    expect(letter.getAttribute('title')).toMatch(means);
  });
  test('of an estimate looks different from the others', () => {
    const look = (evidence: EvidenceClass) =>
      drawn(<Evidence evidence={evidence} />)
        .querySelector('abbr')!
        .getAttribute('class');
    expect(look('D')).toContain('border-dashed');
    expect(new Set((['A', 'B', 'C'] as const).map(look)).size).toBe(1);
  });
  test('without any there is no letter', () => expect(drawn(<Evidence evidence={null} />).innerHTML).toBe(''));
});

describe('cautions', () => {
  const grade = sampleLibrary.grades.find(({ familyId }) => familyId === 'abs')!;
  test('of people stand out and come first, the safety data sheet last', () => {
    const items = drawn(<Cautions place="print" brief={lampArm} grade={grade} />).querySelectorAll('li');
    const bold = items.map((item) => item.getAttribute('class') === 'font-medium');
    expect(bold[0]).toBe(true);
    expect(bold.indexOf(false)).toBe(bold.lastIndexOf(true) + 1);
    expect(textOf(items[0]!)).toMatch(/styrene/i);
    expect(textOf(items.at(-1)!)).toMatch(/safety data sheet/);
  });
  test('what could snap back is said of the guard and the pawl', () => {
    for (const brief of [guardBumper, ratchetPawl])
      expect(textOf(drawn(<Cautions place="bench" brief={brief} />))).toMatch(/stand clear|clear of|shield|snap/i);
  });
  test('the proof test is the header’s to say', () =>
    expect(textOf(drawn(<Cautions place="brief" brief={ratchetPawl} />))).not.toMatch(/proof-test/i));
  test('where nothing is to be minded there is no empty box', () =>
    expect(drawn(<Cautions place="brief" />).innerHTML).toBe(''));
});

describe('a problem', () => {
  const refused = {
    status: 422,
    data: {
      type: 'refused',
      title: 'The brief cannot be saved',
      status: 422,
      detail: 'Two fields contradict each other.',
      errors: [
        { pointer: '/asks/heat', detail: 'The peak is below what is steady', accepted: 'from 50 °C' },
        { pointer: '/title', detail: 'A title is needed' },
      ],
    },
  };
  test('says what, why and each place with what would be accepted', () => {
    const root = drawn(<ProblemNotice error={refused} />);
    expect(root.querySelector('[role=alert]')).not.toBeNull();
    expect(root.querySelectorAll('li').map(textOf)).toEqual([
      'The peak is below what is steady. Accepted: from 50 °C.',
      'A title is needed.',
    ]);
    expect(textOf(root)).toContain('Two fields contradict each other.');
  });
  test('with one issue does not say it twice', () => {
    const one = { ...refused, data: { ...refused.data, errors: refused.data.errors.slice(0, 1) } };
    expect(drawn(<ProblemNotice error={one} />).querySelectorAll('li')).toHaveLength(0);
  });
  test.each([
    [{ status: 'FETCH_ERROR' }, /does not answer/],
    [{ status: 'TIMEOUT_ERROR' }, /does not answer/],
    [new Error('boom'), /Unexpected/],
    [{ status: 502, data: '<html>' }, /Unexpected/],
  ])('%p is put into words', (error, words) => expect(textOf(drawn(<ProblemNotice error={error} />))).toMatch(words));
  test('what is kept on this computer is no failure', () => {
    const kept = { status: 'CUSTOM_ERROR', data: { type: 'kept', title: 'Kept', status: 0, detail: 'Sent later.' } };
    const look = (error: unknown) =>
      drawn(<ProblemNotice error={error} />)
        .querySelector('[role=alert]')!
        .getAttribute('class');
    expect(look(kept)).not.toContain('border-fail');
    expect(look(refused)).toContain('border-fail');
  });
  test('somebody else’s newer record can be taken, and only then', () => {
    const newer = {
      status: 409,
      data: { type: 'conflict', title: 'Changed', status: 409, detail: 'Meanwhile.', current: {} },
    };
    const buttons = (error: unknown) =>
      drawn(<SaveProblem error={error} onTakeNewer={() => undefined} />).querySelectorAll('button');
    expect(buttons(newer)).toHaveLength(1);
    expect(buttons(refused)).toHaveLength(0);
    expect(drawn(<SaveProblem error={undefined} onTakeNewer={() => undefined} />).innerHTML).toBe('');
  });
});

describe('small pieces', () => {
  test('progress is told to those who do not see it', () => {
    const bar = drawn(<Progress share={0.254} label="18 of 70" />).querySelector('[role=progressbar]')!;
    expect(bar.getAttribute('aria-valuenow')).toBe('25');
    expect(bar.getAttribute('aria-label')).toBe('18 of 70');
  });
  test('what is loading says what', () =>
    expect(textOf(drawn(<Loading what="the grades" />))).toBe('Loading the grades …'));
  test('a place begins with one heading of the first order', () => {
    const root = drawn(
      <PageHead title="Spools" says="What lies where.">
        <Button>New spool</Button>
      </PageHead>,
    );
    expect(root.querySelectorAll('h1').map(textOf)).toEqual(['Spools']);
    expect(textOf(root)).toContain('What lies where.');
    expect(root.querySelector('.no-print button')).not.toBeNull();
  });
  test('nothing yet says what to do next', () => {
    const root = drawn(<Empty title="No spools yet">Weigh one and write it down.</Empty>);
    expect(textOf(root)).toBe('No spools yet Weigh one and write it down.');
  });
  test('facts stand under their names', () => {
    const root = drawn(
      <FactList
        rows={[
          ['Mass', '82 g'],
          ['Cost', 'unknown'],
        ]}
      />,
    );
    expect(root.querySelectorAll('dt').map(textOf)).toEqual(['Mass', 'Cost']);
    expect(root.querySelectorAll('dd').map(textOf)).toEqual(['82 g', 'unknown']);
  });
  test('a heading whose word the list has explains itself, another is plain', () => {
    const heads = drawn(
      <table>
        <TableHead headings={['Governs', 'Colour', { title: 'Foam', means: 'Gas in the line.' }]} />
      </table>,
    ).querySelectorAll('th');
    expect(heads.map((head) => head.querySelector('button') !== null)).toEqual([true, false, true]);
    expect(heads.map((head) => head.getAttribute('scope'))).toEqual(['col', 'col', 'col']);
  });
  test('a form that is not ready cannot be saved, but can be left', () => {
    const buttons = (ready: boolean) =>
      drawn(<SaveOrCancel ready={ready} onSave={() => undefined} onCancel={() => undefined} />)
        .querySelectorAll('button')
        .map((button) => [textOf(button), button.hasAttribute('disabled')]);
    expect(buttons(false)).toEqual([
      ['Save it', true],
      ['Cancel', false],
    ]);
    expect(buttons(true)[0]).toEqual(['Save it', false]);
  });
  test('photos are shown with their names, other papers as links', () => {
    const root = drawn(
      <Photos
        photos={[
          { id: 'a', name: 'crack.png', mediaType: 'image/png' },
          { id: 'b', name: 'notes.txt', mediaType: 'text/plain' },
        ]}
        hrefOf={(id) => `/files/${id}`}
        busy={false}
        onAdd={() => undefined}
        onRemove={() => undefined}
      />,
    );
    expect(root.querySelectorAll('img').map((image) => image.getAttribute('alt'))).toEqual(['crack.png']);
    expect(root.querySelectorAll('a').map((link) => link.getAttribute('href'))).toEqual(['/files/a', '/files/b']);
    expect(root.querySelectorAll('button').map((button) => button.getAttribute('aria-label'))).toEqual([
      'Remove crack.png',
      'Remove notes.txt',
    ]);
  });
});
