import { Dialog } from 'radix-ui';
import { Link, useLocation } from 'react-router';
import { useAppDispatch } from '../sync/store/store.ts';
import { lookBegun } from '../sync/store/guideSlice.ts';
import { Button } from '../ui/Button.tsx';
import { KEYS_EVERYWHERE, screenAt } from './screens.ts';
import type { ScreenHelp } from './screenHelp.ts';
import { findWord } from '../ui/words/words.ts';
import { WordEntry } from './WordEntry.tsx';
import { useFocusBack } from '../ui/useFocusBack.ts';

/** What this screen is for, what one does on it, its words and its keys; and where to learn more. */
export function HelpSheet({ onClose }: { onClose: () => void }) {
  const focusBack = useFocusBack();
  const { pathname } = useLocation();
  const screen = screenAt(pathname);
  const dispatch = useAppDispatch();
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/30" />
        <Dialog.Content
          onCloseAutoFocus={focusBack}
          aria-describedby={undefined}
          className="fixed inset-y-0 right-0 z-40 w-[30rem] max-w-[94vw] overflow-y-auto border-l border-line-strong bg-surface p-5 shadow-2xl"
        >
          <div className="flex items-start gap-3">
            <div className="grow">
              <Dialog.Title className="text-lg">{screen?.title ?? 'Help'}</Dialog.Title>
              {screen && <p className="text-quiet">{screen.question}</p>}
            </div>
            <Dialog.Close asChild>
              <Button look="quiet">Close</Button>
            </Dialog.Close>
          </div>
          {screen && (
            <>
              <h3 className="mt-4 mb-1 text-sm">What to do here</h3>
              <ol className="list-decimal space-y-1.5 pl-5">
                {screen.does.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ol>
              <Words ids={screen.words} />
            </>
          )}
          <Keys own={screen?.keys ?? []} />
          <h3 className="mt-5 mb-1 text-sm">Learn more</h3>
          <div className="flex flex-wrap gap-2">
            <Button
              onClick={() => {
                onClose();
                dispatch(lookBegun());
              }}
            >
              Two-minute tour
            </Button>
            <Link
              to="/training"
              onClick={onClose}
              className="rounded border border-line-strong bg-surface px-3 py-1 hover:bg-sunken"
            >
              Training with eight cases
            </Link>
            <Link
              to="/glossary"
              onClick={onClose}
              className="rounded border border-line-strong bg-surface px-3 py-1 hover:bg-sunken"
            >
              Glossary
            </Link>
          </div>
          <p className="mt-5 text-xs text-quiet">
            Anvilstone computes and keeps records. It does not approve a part: local codes, licensed practice and a
            responsible engineer do.
          </p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Words({ ids }: { ids: readonly string[] }) {
  const words = ids.map(findWord).filter((word) => word !== undefined);
  if (words.length === 0) return null;
  return (
    <>
      <h3 className="mt-5 mb-1 text-sm">Terms on this screen</h3>
      <dl className="space-y-2">
        {words.map((one) => (
          <div key={one.id}>
            <WordEntry word={one} />
          </div>
        ))}
      </dl>
    </>
  );
}

function Keys({ own }: { own: NonNullable<ScreenHelp['keys']> }) {
  return (
    <>
      <h3 className="mt-5 mb-1 text-sm">Keys</h3>
      <table className="w-full text-left">
        <tbody>
          {[...own, ...(KEYS_EVERYWHERE ?? [])].map(([keys, does]) => (
            <tr key={keys} className="border-t border-line align-baseline">
              <th scope="row" className="w-32 py-1 pr-3 font-semibold whitespace-nowrap">
                {keys}
              </th>
              <td className="py-1 text-quiet">{does}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
