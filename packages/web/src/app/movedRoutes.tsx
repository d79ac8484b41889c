import { Navigate, useLocation, type RouteObject } from 'react-router';

/** First part of an address of earlier versions, and what it is called now. */
const MOVED = {
  agents: 'chemicals',
  calculations: 'calculators',
  'house-rules': 'company-rules',
  practice: 'training',
  words: 'glossary',
  workshop: 'data',
};

function Moved({ from, to }: { from: string; to: string }) {
  const { pathname, search, hash } = useLocation();
  return <Navigate to={`/${to}${pathname.slice(from.length + 1)}${search}${hash}`} replace />;
}

/** Bookmarks and links in records of earlier versions still arrive. */
export const movedRoutes: RouteObject[] = Object.entries(MOVED).map(([from, to]) => ({
  path: `${from}/*`,
  element: <Moved from={from} to={to} />,
}));
