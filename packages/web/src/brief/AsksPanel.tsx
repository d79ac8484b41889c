import { ORIENTATIONS, type Brief } from '@anvilstone/schema';
import type { ReactNode } from 'react';
import { useBench } from '../parts/bench.ts';
import { Button } from '../ui/Button.tsx';
import { Tick } from '../ui/fields.tsx';
import { Panel } from '../ui/Panel.tsx';
import { QuantityField } from '../ui/QuantityField.tsx';
import { askKinds, type AskKind } from './asks.ts';
import { bounds } from './bounds.ts';
import { useEdit, useIssue } from './editBrief.ts';
import { SlidingFields, ThermalFitFields } from './NeighbourFields.tsx';
import { SurroundingsChooser } from './SurroundingsChooser.tsx';

/** Everything asked of the part besides its loads: added from a palette, taken off again. */
export function AsksPanel({ brief }: { brief: Brief }) {
  const edit = useEdit();
  const open = askKinds.filter((kind) => !kind.isAsked(brief.asks));
  return (
    <Panel title="Asked of it as well" aside={<SurroundingsChooser brief={brief} />}>
      <div className="flex flex-col gap-3">
        {askKinds
          .filter((kind) => kind.isAsked(brief.asks))
          .map((kind) => (
            <AskRow
              key={kind.id}
              kind={kind}
              onRemove={() => edit({ ...brief, asks: kind.remove(brief.asks) }, `remove-${kind.id}`)}
            >
              <AskFields kind={kind} brief={brief} />
            </AskRow>
          ))}
        {open.length === askKinds.length && <p className="text-quiet">Nothing yet: only the loads decide.</p>}
        {open.length > 0 && (
          <div className="flex flex-wrap items-center gap-2 border-t border-line pt-3">
            <span className="text-xs text-quiet">Ask for:</span>
            {open.map((kind) => (
              <Button
                key={kind.id}
                title={kind.explains}
                onClick={() => edit({ ...brief, asks: kind.add(brief.asks) }, `add-${kind.id}`)}
              >
                + {kind.title}
              </Button>
            ))}
          </div>
        )}
      </div>
    </Panel>
  );
}

function AskRow({ kind, onRemove, children }: { kind: AskKind; onRemove: () => void; children: ReactNode }) {
  return (
    <fieldset className="grid grid-cols-[12rem_minmax(0,1fr)_auto] items-start gap-3">
      <legend className="sr-only">{kind.title}</legend>
      <div>
        <p className="font-semibold">{kind.title}</p>
        <p className="text-xs text-quiet">{kind.explains}</p>
      </div>
      {children}
      <Button look="quiet" aria-label={`Stop asking for ${kind.title.toLowerCase()}`} onClick={onRemove}>
        Remove
      </Button>
    </fieldset>
  );
}

function AskFields({ kind, brief }: { kind: AskKind; brief: Brief }) {
  const edit = useEdit();
  const { asks } = brief;
  const set = (change: Partial<Brief['asks']>) => edit({ ...brief, asks: { ...asks, ...change } }, kind.id);
  const peakIssue = useIssue('/asks/heat/peak/temperatureC');
  const machineIssue = useIssue('/asks/machineIds');
  const coldestIssue = useIssue('/asks/heat/coldestC');
  switch (kind.id) {
    case 'steady':
      return (
        <div className="grid grid-cols-2 gap-3">
          <QuantityField
            label="Steady temperature"
            dimension="temperature"
            value={asks.heat?.steadyC}
            bounds={bounds.temperature}
            onChange={(steadyC) => set({ heat: { ...asks.heat, steadyC } })}
          />
          <QuantityField
            label="Lasts altogether"
            dimension="time"
            value={asks.heat?.steadyH}
            bounds={bounds.steadyDuration}
            hint="empty = as long as its loads act"
            onChange={(steadyH) => set({ heat: { ...asks.heat, steadyH } })}
            onClear={() => {
              const { steadyH: _gone, ...heat } = asks.heat!;
              set({ heat });
            }}
          />
        </div>
      );
    case 'peak': {
      const peak = asks.heat!.peak!;
      const setPeak = (change: Partial<typeof peak>) => set({ heat: { ...asks.heat, peak: { ...peak, ...change } } });
      return (
        <div className="grid grid-cols-2 gap-3">
          <QuantityField
            label="Peak temperature"
            dimension="temperature"
            value={peak.temperatureC}
            bounds={bounds.temperature}
            error={peakIssue}
            onChange={(temperatureC) => setPeak({ temperatureC })}
          />
          <QuantityField
            label="Lasts for"
            dimension="time"
            value={peak.durationH}
            bounds={bounds.peakDuration}
            onChange={(durationH) => setPeak({ durationH })}
          />
        </div>
      );
    }
    case 'coldest':
      return (
        <div className="grid grid-cols-2 gap-3">
          <QuantityField
            label="Coldest temperature"
            dimension="temperature"
            value={asks.heat?.coldestC}
            bounds={bounds.temperature}
            error={coldestIssue}
            onChange={(coldestC) => set({ heat: { ...asks.heat, coldestC } })}
          />
        </div>
      );
    case 'thermal-fit':
      return <ThermalFitFields ask={asks.thermalFit!} onChange={(thermalFit) => set({ thermalFit })} />;
    case 'sliding':
      return <SlidingFields ask={asks.sliding!} onChange={(sliding) => set({ sliding })} />;
    case 'warns':
      return (
        <p className="text-sm text-quiet">Judged by how the family fails, its elongation, and what parts first.</p>
      );
    case 'mass':
      return (
        <div className="grid grid-cols-2 gap-3">
          <QuantityField
            label="At most"
            dimension="mass"
            value={asks.maxMassG}
            bounds={bounds.mass}
            onChange={(maxMassG) => set({ maxMassG })}
          />
        </div>
      );
    case 'cost':
      return (
        <div className="grid grid-cols-2 gap-3">
          <QuantityField
            label="At most"
            dimension="money"
            value={asks.maxCostUsd}
            bounds={bounds.cost}
            onChange={(maxCostUsd) => set({ maxCostUsd })}
          />
        </div>
      );
    case 'machines':
      return (
        <MachineTicks
          chosen={asks.machineIds ?? []}
          issue={machineIssue}
          onChange={(machineIds) => set({ machineIds })}
        />
      );
    default:
      return (
        <div className="flex gap-4">
          {ORIENTATIONS.map((one) => (
            <Tick
              key={one}
              label={one}
              checked={asks.orientations!.includes(one)}
              onChange={(on) => {
                const next = ORIENTATIONS.filter((other) => (other === one ? on : asks.orientations!.includes(other)));
                if (next.length > 0) set({ orientations: [...next] });
              }}
            />
          ))}
        </div>
      );
  }
}

function MachineTicks({
  chosen,
  issue,
  onChange,
}: {
  chosen: string[];
  issue: string | undefined;
  onChange: (ids: string[]) => void;
}) {
  const { library } = useBench();
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-1">
      {library.machines.map((machine) => (
        <Tick
          key={machine.id}
          label={machine.name}
          checked={chosen.includes(machine.id)}
          onChange={(on) => onChange(on ? [...chosen, machine.id] : chosen.filter((id) => id !== machine.id))}
        />
      ))}
      {(chosen.length === 0 || issue) && (
        <p className="w-full text-xs text-fail">Tick at least one machine, or remove this ask.</p>
      )}
    </div>
  );
}
