import { useCallback, useEffect, useRef } from 'react';
import { Link, useNavigate } from 'react-router';
import { usePartsQuery } from '../../sync/api/api.ts';
import { lookSentAway } from '../../sync/store/settings.ts';
import { useAppDispatch, useAppSelector } from '../../sync/store/store.ts';
import { Button } from '../../ui/Button.tsx';
import { lookEnded, lookWentTo } from '../../sync/store/guideSlice.ts';
import { GUIDE_STEPS } from './steps.ts';
import { useFrame } from './useFrame.ts';

/** The sample’s best told part. */
const LAMP_ARM = '0a7c1d00-0000-4000-8000-000000000003';

/** Leads through the stages of a part. Nothing is blocked meanwhile: whoever wants to try something out tries it. */
export function GuidedLook() {
  const step = useAppSelector((state) => state.guide.step) ?? 0;
  const { data: parts } = usePartsQuery();
  const part = parts?.find(({ id }) => id === LAMP_ARM) ?? parts?.[0];
  const partId = part?.id;
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const stop = GUIDE_STEPS[step];
  const frame = useFrame(stop && partId ? stop.frames(partId) : '#none');
  const title = useRef<HTMLHeadingElement>(null);

  useEffect(() => {
    if (!stop || !partId) return;
    void navigate(stop.stage ? `/parts/${partId}/${stop.stage}` : '/parts');
    title.current?.focus({ preventScroll: true });
  }, [stop, partId, navigate]);
  const end = useCallback(() => {
    dispatch(lookSentAway());
    dispatch(lookEnded());
  }, [dispatch]);
  useEffect(() => {
    // Wherever the focus is; but what was opened meanwhile is closed first.
    const onKey = ({ key, defaultPrevented }: KeyboardEvent) => {
      if (key === 'Escape' && !defaultPrevented && !document.querySelector('[role=dialog]')) end();
    };
    globalThis.addEventListener('keydown', onKey);
    return () => globalThis.removeEventListener('keydown', onKey);
  }, [end]);
  if (!parts) return null;
  // What is framed must stay in sight: the words go where there is more room.
  const below = !frame || frame.top + frame.height / 2 < innerHeight / 2;
  return (
    <>
      {frame && (
        <div
          aria-hidden="true"
          className="no-print pointer-events-none fixed z-40 rounded-md outline-3 outline-ember"
          style={{ ...frame, boxShadow: '0 0 0 200vmax rgb(0 0 0 / 0.28)' }}
        />
      )}
      <section
        aria-label="Tour"
        className={`no-print fixed left-1/2 z-50 w-[34rem] max-w-[92vw] -translate-x-1/2 rounded-lg border border-line-strong bg-surface p-4 shadow-2xl ${below ? 'bottom-5' : 'top-24'}`}
      >
        {!partId ? (
          <NothingYet end={end} />
        ) : stop ? (
          <>
            <p className="text-xs text-quiet">
              {step + 1} of {GUIDE_STEPS.length} · {part.brief.title}
            </p>
            <h2 ref={title} tabIndex={-1} className="text-base outline-none">
              {stop.title}
            </h2>
            <p className="mt-1">{stop.text}</p>
            <div className="mt-3 flex gap-2">
              <Button look="primary" onClick={() => dispatch(lookWentTo(step + 1))}>
                {step + 1 < GUIDE_STEPS.length ? 'Next' : 'Finish'}
              </Button>
              <Button disabled={step === 0} onClick={() => dispatch(lookWentTo(step - 1))}>
                Back
              </Button>
              <div className="grow" />
              <Button look="quiet" onClick={end}>
                End tour
              </Button>
            </div>
          </>
        ) : (
          <YourTurn end={end} />
        )}
      </section>
    </>
  );
}

function YourTurn({ end }: { end: () => void }) {
  return (
    <>
      <h2 className="text-base">Next steps</h2>
      <p className="mt-1">
        Enter your own part, or take the training first. Under <strong>Help</strong>, or with the key <strong>?</strong>
        , every screen is explained.
      </p>
      <div className="mt-3 flex gap-2">
        <Link to="/parts?new=part" onClick={end} className={LINK_LOOK}>
          New part
        </Link>
        <Link to="/training" onClick={end} className={LINK_LOOK}>
          Training with eight cases
        </Link>
        <div className="grow" />
        <Button look="quiet" onClick={end}>
          Close
        </Button>
      </div>
    </>
  );
}
const LINK_LOOK = 'rounded border border-line-strong bg-surface px-2.5 py-1 text-sm font-medium hover:bg-sunken';

function NothingYet({ end }: { end: () => void }) {
  return (
    <>
      <h2 className="text-base">No part yet</h2>
      <p className="mt-1">Create a part or add the sample parts from the list of parts.</p>
      <div className="mt-3 flex gap-2">
        <Link to="/parts" onClick={end} className={LINK_LOOK}>
          Go to parts
        </Link>
      </div>
    </>
  );
}
