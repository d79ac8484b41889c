import { Link } from 'react-router';
import { lookSentAway } from '../../sync/store/settings.ts';
import { useAppDispatch, useAppSelector } from '../../sync/store/store.ts';
import { Button } from '../../ui/Button.tsx';
import { lookBegun } from '../../sync/store/guideSlice.ts';

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
        <strong>New to Anvilstone?</strong> See in two minutes how a part gets from requirements to a documented
        decision.
      </p>
      <Button look="primary" onClick={() => dispatch(lookBegun())}>
        Tour
      </Button>
      <Link to="/training" className="underline">
        Training
      </Link>
      <Button look="quiet" onClick={() => dispatch(lookSentAway())}>
        Do not show again
      </Button>
    </section>
  );
}
