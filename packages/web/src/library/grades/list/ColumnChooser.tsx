import { TABLE_COLUMNS } from '@anvilstone/core/evaluation';
import { PROPERTY_DEFINITIONS, PROPERTY_GROUPS } from '@anvilstone/core/materials';
import { Popover } from 'radix-ui';
import { useAppDispatch, useAppSelector } from '../../../sync/store/store.ts';
import { Button } from '../../../ui/Button.tsx';
import { Tick } from '../../../ui/fields.tsx';
import { columnsChosen, standardColumnIds } from '../../../sync/store/gradesView.ts';

/** Which properties stand in the table. Columns keep the order of the property list. */
export function ColumnChooser() {
  const { columnIds } = useAppSelector((state) => state.gradesView);
  const dispatch = useAppDispatch();
  const toggle = (id: string, on: boolean) => {
    const wanted = new Set(on ? [...columnIds, id] : columnIds.filter((one) => one !== id));
    dispatch(columnsChosen(TABLE_COLUMNS.filter((column) => wanted.has(column.id)).map((column) => column.id)));
  };
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button>Columns ({columnIds.length})</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          aria-label="Columns"
          className="z-40 max-h-[75vh] w-[44rem] overflow-y-auto rounded-md border border-line-strong bg-surface p-4 shadow-xl"
        >
          <div className="columns-3 gap-4">
            {PROPERTY_GROUPS.map((group) => (
              <fieldset key={group} className="mb-3 break-inside-avoid">
                <legend className="mb-0.5 text-xs font-semibold">{group}</legend>
                {TABLE_COLUMNS.filter(({ property }) => PROPERTY_DEFINITIONS[property].group === group).map(
                  ({ id, title }) => (
                    <Tick key={id} label={title} checked={columnIds.includes(id)} onChange={(on) => toggle(id, on)} />
                  ),
                )}
              </fieldset>
            ))}
          </div>
          <Button look="quiet" onClick={() => dispatch(columnsChosen([...standardColumnIds]))}>
            Default columns
          </Button>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
