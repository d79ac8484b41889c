import { rankingMethods, type RankingMethod } from '@anvilstone/core/evaluation';
import type { Grade } from '@anvilstone/schema';
import { RadioGroup } from 'radix-ui';
import type { MethodLeader } from '../../../workers/leaders.ts';

/** The ways to choose side by side, each with whom it puts first: where they agree, the choice is easy. */
export function RankingMethodStrip({
  chosen,
  leaders,
  grades,
  sizing,
  onChange,
}: {
  chosen: RankingMethod;
  leaders: readonly MethodLeader[];
  grades: ReadonlyMap<string, Grade>;
  /** Share of the grades sized so far; undefined: not under way. */
  sizing: number | undefined;
  onChange: (schoolId: string) => void;
}) {
  return (
    <RadioGroup.Root
      aria-label="Ranked by"
      value={chosen.id}
      onValueChange={onChange}
      className="mb-2 grid grid-cols-4 narrow:grid-cols-2 gap-2 print:hidden"
    >
      {rankingMethods.map((rankingMethod) => {
        const leader = leaders.find(({ schoolId }) => schoolId === rankingMethod.id);
        return (
          <RadioGroup.Item
            key={rankingMethod.id}
            value={rankingMethod.id}
            title={rankingMethod.sentence}
            className={`min-w-0 rounded border px-3 py-1.5 text-left ${chosen.id === rankingMethod.id ? 'border-ink bg-surface' : 'border-line bg-ground hover:border-line-strong'}`}
          >
            <span className="flex gap-2 text-xs text-quiet">
              <span className={chosen.id === rankingMethod.id ? 'font-semibold text-ink' : ''}>
                <span aria-hidden="true">{chosen.id === rankingMethod.id ? '◆ ' : '◇ '}</span>
                {rankingMethod.title}
              </span>
              <span className="grow text-right">
                {chosen.id !== rankingMethod.id && leader && standingWords(leader)}
              </span>
            </span>
            <span className="block truncate text-sm">
              {leader?.first ? grades.get(leader.first.gradeId)?.name : leaderMissing(rankingMethod, sizing)}
            </span>
          </RadioGroup.Item>
        );
      })}
    </RadioGroup.Root>
  );
}

/** What this ranking method says of the one that leads in the chosen ranking method. */
function standingWords({ placeOfChosen }: MethodLeader): string {
  if (placeOfChosen === 0) return '';
  return placeOfChosen === 1 ? 'agrees' : `ranks your first ${ordinal(placeOfChosen)}`;
}

function leaderMissing(rankingMethod: RankingMethod, sizing: number | undefined): string {
  if (!rankingMethod.needsSizes) return 'none passes';
  return sizing === undefined ? 'select to size all grades' : sizing < 1 ? 'sizing …' : 'none can be sized';
}

function ordinal(place: number): string {
  const last = place % 10;
  const teen = place % 100 >= 11 && place % 100 <= 13;
  return `${place}${teen ? 'th' : last === 1 ? 'st' : last === 2 ? 'nd' : last === 3 ? 'rd' : 'th'}`;
}
