import { Link } from 'react-router';
import { lookSentAway } from '../app/settings.ts';
import { useAppDispatch, useAppSelector } from '../app/store.ts';
import { Button } from '../ui/Button.tsx';
import { lookBegun } from './guideSlice.ts';

/** Offered until it was taken or sent away; after that it is under Help. */
export function OfferLook() {
  const offers = useAppSelector(({ settings, guide }) => settings.offersLook && guide.step === null);
  const dispatch = useAppDispatch();
  if (!offers) return null;
  return (
    <section
      aria-label="New here"
      className="no-print mb-3 flex items-center gap-3 rounded-md border border-ember bg-ember-ground px-3 py-2"
    >
      <p className="min-w-0 grow">
        <strong>New here?</strong> See in two minutes how a part goes from what it must do to a decision with its
        grounds.
      </p>
      <Button look="primary" onClick={() => dispatch(lookBegun())}>
        Look around
      </Button>
      <Link to="/practice" className="underline">
        Practise
      </Link>
      <Button look="quiet" onClick={() => dispatch(lookSentAway())}>
        Do not offer again
      </Button>
    </section>
  );
}
