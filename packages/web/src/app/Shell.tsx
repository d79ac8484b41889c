import { lazy, Suspense } from 'react';
import { NavLink, Outlet } from 'react-router';
import { useSessionQuery } from '../sync/api/accessApi.ts';
import { useLive } from '../sync/live/useLive.ts';
import { Find } from './find/Find.tsx';
import { UnsentNote } from '../team/UnsentNote.tsx';
import { useSending } from '../sync/outbox/useOutbox.ts';
import { Help } from '../help/Help.tsx';
import { Loading } from '../ui/Loading.tsx';
import { useArrivals } from '../sync/address/newestAddress.ts';
import { themeChosen, unitsChosen } from '../sync/store/settings.ts';
import { useAppDispatch, useAppSelector } from '../sync/store/store.ts';

const places = [
  { to: '/parts', label: 'Parts', mark: 'M4 17h16M6 17V9l6-4 6 4v8M10 17v-4h4v4' },
  { to: '/grades', label: 'Grades', mark: 'M12 4a8 8 0 1 0 0 16 8 8 0 0 0 0-16zm0 5a3 3 0 1 1 0 6 3 3 0 0 1 0-6z' },
  { to: '/bench', label: 'Bench', mark: 'M3 19h18M6 19v-5h5v5M11 9h7v5h-7M14 4v5M12 6l2-2 2 2' },
  { to: '/records', label: 'Records', mark: 'M6 3h9l3 3v15H6zM9 9h6M9 13h6M9 17h3' },
  { to: '/service', label: 'Service', mark: 'M12 3v4M12 7a7 7 0 1 0 .1 0M12 14l4-3M9 3h6' },
  {
    to: '/spools',
    label: 'Spools',
    mark: 'M5 5v14M19 5v14M5 8h14M5 16h14M8 8v8M11 8v8M14 8v8M16 8v8',
  },
  { to: '/machines', label: 'Machines', mark: 'M4 20h16M6 20V5h12v15M6 9h12M12 9v4m-2 0h4' },
  { to: '/company-rules', label: 'Company rules', mark: 'M4 6h16v12H4zM8 6v12M12 6v5M16 6v8' },
  { to: '/calculators', label: 'Calculators', mark: 'M5 4h14v16H5zM8 8h8M8 13h2m4 0h2M8 16.5h2m4 0h2' },
  { to: '/data', label: 'Data and backup', mark: 'M4 8l8-4 8 4v9l-8 4-8-4zM4 8l8 4 8-4M12 12v9' },
];

/** Only who is new is led around. */
const GuidedLook = lazy(async () => ({ default: (await import('../help/tour/GuidedLook.tsx')).GuidedLook }));

/** The rail, the settings that hold everywhere, and the page beside them. */
export function Shell() {
  useArrivals();
  useLive();
  useSending();
  const isLedAround = useAppSelector((state) => state.guide.step !== null);
  return (
    <div className="flex min-h-screen">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-surface focus:p-2">
        Skip to the page
      </a>
      <nav
        aria-label="Main navigation"
        className="no-print sticky top-0 flex h-screen w-19 shrink-0 flex-col items-center overflow-y-auto border-r border-line bg-sunken py-2 [scrollbar-width:none]"
      >
        <img src="/mark.svg" alt="Anvilstone" className="mb-1 size-8 shrink-0" />
        <Find />
        {places.map(({ to, label, mark }) => (
          <NavLink
            key={to}
            to={to}
            className={({ isActive }) =>
              `flex w-full flex-col items-center gap-0.5 border-l-3 px-0.5 py-1.5 text-center text-xs ${isActive ? 'border-ember font-semibold text-ink' : 'border-transparent text-quiet hover:text-ink'}`
            }
          >
            <svg viewBox="0 0 24 24" className="size-5 fill-none stroke-current stroke-[1.6]" aria-hidden="true">
              <path d={mark} />
            </svg>
            {label}
          </NavLink>
        ))}
        <div className="grow" />
        <WhoLink />
        <SettingButtons />
      </nav>
      <div className="min-w-0 grow" id="main" tabIndex={-1}>
        <ViewerNote />
        <UnsentNote />
        <Suspense fallback={<Loading what="the page" />}>
          <Outlet />
        </Suspense>
      </div>
      {isLedAround && (
        <Suspense>
          <GuidedLook />
        </Suspense>
      )}
    </div>
  );
}

/** Who one is here, and the way to who else is. */
function WhoLink() {
  const { data: session } = useSessionQuery();
  const name = session?.name ?? 'This computer';
  return (
    <NavLink
      to="/people"
      title={`${name}${session?.role && session.name ? `, ${session.role}` : ''}: people, roles and keys`}
      className={({ isActive }) =>
        `mb-1 flex w-full flex-col items-center gap-0.5 border-l-3 px-1 py-1 text-center text-xs ${isActive ? 'border-ember font-semibold text-ink' : 'border-transparent text-quiet hover:text-ink'}`
      }
    >
      {session?.workspaces[1] && session.workspace && (
        <span className="w-full truncate font-semibold">{session.workspace.title}</span>
      )}
      <span className="line-clamp-2 w-full break-words">{session?.name ?? 'People'}</span>
    </NavLink>
  );
}

/** A viewer may try everything out, and must not think that it is kept. */
function ViewerNote() {
  const { data: session } = useSessionQuery();
  if (session?.state !== 'signed-in' || session.role === 'engineer' || session.role === 'approver') return null;
  if (session.role === 'administrator') return null;
  return (
    <p className="no-print border-b border-line bg-unknown-ground px-5 py-1 text-sm text-unknown">
      {session.role === 'viewer'
        ? '! You are a viewer here: changes are not saved.'
        : '! You have no role in this workspace. Choose one of yours under People.'}
    </p>
  );
}

function SettingButtons() {
  const { units, theme } = useAppSelector((state) => state.settings);
  const dispatch = useAppDispatch();
  const look = 'w-15 shrink-0 rounded border border-line bg-surface px-1 py-1 text-xs text-quiet hover:text-ink';
  return (
    <>
      <Help look={`${look} mb-1`} />
      <button
        type="button"
        className={look}
        aria-label={`Units: ${units === 'metric' ? 'metric' : 'inch-pound'}. Switch.`}
        onClick={() => dispatch(unitsChosen(units === 'metric' ? 'inchPound' : 'metric'))}
      >
        {units === 'metric' ? 'mm · N' : 'in · lbf'}
      </button>
      <button
        type="button"
        className={`${look} mt-1`}
        aria-label={`Theme: ${theme}. Switch.`}
        onClick={() => dispatch(themeChosen(theme === 'light' ? 'dark' : 'light'))}
      >
        {theme === 'light' ? 'Light' : 'Dark'}
      </button>
    </>
  );
}
