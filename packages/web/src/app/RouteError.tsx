import { PageHeading } from '../ui/PageHeading.tsx';
import { Link, isRouteErrorResponse, useRouteError } from 'react-router';

/** An address nobody knows, or a screen that broke: says which, and leads back. */
export function RouteError() {
  const error = useRouteError();
  const missing = !error || (isRouteErrorResponse(error) && error.status === 404);
  return (
    <main className="mx-auto max-w-xl p-10">
      <PageHeading>{missing ? 'There is no page at this address' : 'This page could not be shown'}</PageHeading>
      <p className="mt-2 text-quiet">
        {missing
          ? 'The link may point to a part that was removed.'
          : `${error instanceof Error ? error.message : 'Unknown fault'}. Your edits are kept; reload the page to go on.`}
      </p>
      <p className="mt-4">
        <Link className="text-ember underline" to="/parts">
          Go to parts
        </Link>
      </p>
    </main>
  );
}
