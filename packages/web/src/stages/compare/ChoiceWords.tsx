import type { Piece } from '@anvilstone/core/decisions';
import { findRankingMethod, type RankingPreferences } from '@anvilstone/core/evaluation';
import { inSentence } from '@anvilstone/core/foundations';

import { Link } from 'react-router';
import { useAppSelector } from '../../sync/store/store.ts';
import { usePartContext } from '../parts/partContext.ts';
import { Panel } from '../../ui/Panel.tsx';

import { useAnswer } from '../../workers/useAnswer.ts';

/** The choice in plain sentences; every number leads to its working. */
export function ChoiceWords({ preferences, sizedSoFar }: { preferences: RankingPreferences; sizedSoFar: number }) {
  const { brief, library, partId } = usePartContext();
  const units = useAppSelector((state) => state.settings.units);
  // Put into words anew when more grades have been sized.
  const { value: sentences } = useAnswer(library, 'choice', [brief, preferences, units], sizedSoFar);
  return (
    <Panel
      title="Summary"
      aside={
        <span className="text-xs text-quiet">
          ranked by: {inSentence(findRankingMethod(preferences.schoolId).title)}
          {preferences.leastChance === undefined ? '' : `, confidence ${100 * preferences.leastChance} %`}
        </span>
      }
    >
      <p className="max-w-[68rem] leading-relaxed">
        {sentences ? (
          sentences.map((pieces, i) => (
            <span key={i}>
              {pieces.map((piece, k) => (
                <PieceView key={k} piece={piece} partId={partId} />
              ))}{' '}
            </span>
          ))
        ) : (
          <span className="text-quiet">Writing the summary …</span>
        )}
      </p>
    </Panel>
  );
}

function PieceView({ piece, partId }: { piece: Piece; partId: string }) {
  if (!piece.to) return piece.text;
  const { gradeId, checkId, built } = piece.to;
  const search = new URLSearchParams({
    grade: gradeId,
    ...(checkId ? { check: checkId } : {}),
    ...(built ? { built } : {}),
  });
  return (
    <Link
      to={`/parts/${partId}/shortlist?${search.toString()}`}
      title="Calculation"
      className="font-semibold underline decoration-line-strong underline-offset-2 hover:decoration-ink"
    >
      {piece.text}
    </Link>
  );
}
