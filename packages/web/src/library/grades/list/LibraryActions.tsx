import { LIBRARY_FORMATS } from '@anvilstone/core/evidence/formats';
import { DropdownMenu } from 'radix-ui';
import { Link } from 'react-router';
import { Button } from '../../../ui/Button.tsx';
import { buttonLook } from '../../../ui/buttonLook.ts';
import { API } from '../../../sync/address/place.ts';

/** Into the library and out of it. With grades chosen, only those go out. */
export function LibraryActions({ chosenIds }: { chosenIds: readonly string[] }) {
  const some = chosenIds.length > 0 ? `?ids=${chosenIds.join(',')}` : '';
  return (
    <div className="flex gap-2">
      <Link to="/grades/reference" className={buttonLook('quiet')}>
        Polymer families and fibres
      </Link>
      <Link to="/chemicals" className={buttonLook('quiet')}>
        Chemicals
      </Link>
      <Link to="/grades/import" className={buttonLook('plain')}>
        Import
      </Link>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger asChild>
          <Button>Export{chosenIds.length > 0 ? ` ${chosenIds.length} chosen` : ''}</Button>
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            sideOffset={4}
            className="z-40 rounded-md border border-line-strong bg-surface p-1 text-sm shadow-xl"
          >
            {LIBRARY_FORMATS.map(({ id, title }) => (
              <DropdownMenu.Item
                key={id}
                asChild
                className="block cursor-pointer rounded px-3 py-1 outline-none data-highlighted:bg-sunken"
              >
                <a href={`${API}/exports/${id}${some}`} download>
                  {title}
                </a>
              </DropdownMenu.Item>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <Link to="/grades/new" className={buttonLook('plain')}>
        New grade
      </Link>
    </div>
  );
}
