import {
  findMethod,
  lookAlikeArms,
  nextSpecimenIds,
  notches,
  swappedWith,
  type ArmAppearance,
} from '@anvilstone/core/evidence';
import { prepareMaterial } from '@anvilstone/core/materials';
import { type Campaign, type Specimen, type SpoolInStock, type TrialRecord } from '@anvilstone/schema';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useStockQuery } from '../../../shop/spools/spoolsApi.ts';
import { useAppSelector } from '../../../sync/store/store.ts';
import { API, hereAddress } from '../../../sync/address/place.ts';
import { amount } from '../../../ui/amount.ts';
import { Button } from '../../../ui/Button.tsx';
import { buttonLook } from '../../../ui/buttonLook.ts';
import { TableHead } from '../../../ui/TableHead.tsx';
import type { Workshop } from '../../../workers/workshop.ts';
import { Empty } from '../../../ui/Empty.tsx';
import { SpecimenFields, type SpecimenFieldsProps } from './SpecimenFields.tsx';
import type { EditCampaign } from '../useSavedCampaign.ts';
import { CONDITIONING_WORDS, DEFECT_WORDS, WAY_WORDS } from '../words.ts';
import { useSay } from '../../../ui/useSay.ts';

const NO_SPOOLS: readonly SpoolInStock[] = [];
const HEADINGS = ['Mark', 'Grade', 'Spool', 'Moisture', 'Mass', 'Tested', ''];

/** Every specimen with what it is made of and how, so that no two are mixed up. */
export function SpecimensTab({
  campaign,
  trials,
  library,
  edit,
}: {
  campaign: Campaign;
  trials: readonly TrialRecord[];
  library: Workshop;
  edit: EditCampaign;
}) {
  const say = useSay();
  const { data: stock } = useStockQuery();
  const [open, setOpen] = useState<string>();
  const spools = stock?.spools ?? NO_SPOOLS;
  const looks = useMemo(() => appearanceOf(campaign, library, spools), [campaign, library, spools]);
  const missing = campaign.arms.map((arm) => ({
    arm,
    count: Math.max(0, campaign.perArm - campaign.specimens.filter(({ armId }) => armId === arm.id).length),
  }));
  const total = missing.reduce((sum, { count }) => sum + count, 0);
  const make = () =>
    edit((now) => ({
      ...now,
      specimens: [
        ...now.specimens,
        ...missing.flatMap(({ arm, count }) =>
          nextSpecimenIds(now, arm.id, count).map((id) => fresh(id, arm.id, now, spools)),
        ),
      ],
    }));
  const change = (id: string, to: (one: Specimen) => Specimen) =>
    edit((now) => ({ ...now, specimens: now.specimens.map((one) => (one.id === id ? to(one) : one)) }));
  const tested = new Set(trials.map(({ trial }) => trial.specimenId));
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <Button look={total > 0 ? 'primary' : 'plain'} disabled={total === 0} onClick={make}>
          {total > 0 ? `Add the ${total} that are planned` : 'All planned specimens are here'}
        </Button>
        {campaign.arms.map((arm) => (
          <Button
            key={arm.id}
            look="quiet"
            onClick={() =>
              edit((now) => ({
                ...now,
                specimens: [...now.specimens, fresh(nextSpecimenIds(now, arm.id, 1)[0]!, arm.id, now, spools)],
              }))
            }
          >
            + one more {arm.id}
          </Button>
        ))}
        <span className="grow" />
        {campaign.specimens.length > 0 && (
          <a
            href={`${API}/campaigns/${campaign.id}/labels.pdf?base=${encodeURIComponent(hereAddress())}`}
            className={buttonLook()}
          >
            Labels (PDF)
          </a>
        )}
      </div>
      {lookAlikeArms(looks).map(({ armIds, text }) => (
        <p
          key={armIds.join()}
          className="mb-3 rounded border border-unknown bg-unknown-ground px-3 py-2 text-sm text-unknown"
        >
          {say(text)}
        </p>
      ))}
      {campaign.specimens.length === 0 ? (
        <Empty>
          No specimens yet. Add the {total} that are planned, print their labels, and cut the marks in as they come off
          the bed.
        </Empty>
      ) : (
        <table className="w-full rounded-md border border-line bg-surface text-sm">
          <TableHead headings={HEADINGS} />
          <tbody>
            {campaign.specimens.map((specimen) => (
              <SpecimenRows
                key={specimen.id}
                specimen={specimen}
                campaign={campaign}
                library={library}
                looks={looks}
                spools={spools}
                tested={tested.has(specimen.id)}
                open={open === specimen.id}
                onOpen={() => setOpen(open === specimen.id ? undefined : specimen.id)}
                onChange={(to) => change(specimen.id, to)}
                onRemove={() =>
                  edit((now) => ({ ...now, specimens: now.specimens.filter(({ id }) => id !== specimen.id) }))
                }
              />
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

function fresh(id: string, armId: string, campaign: Campaign, spools: readonly SpoolInStock[]): Specimen {
  const like = campaign.specimens.findLast((one) => one.armId === armId);
  const gradeId = campaign.arms.find((arm) => arm.id === armId)?.gradeId;
  const only = spools.filter(({ spool }) => spool.gradeId === gradeId && !spool.empty);
  const spoolId = like?.spoolId ?? (only.length === 1 ? only[0]!.spool.id : undefined);
  return {
    id,
    armId,
    ...(spoolId === undefined ? {} : { spoolId }),
    ...(like?.machineId === undefined ? {} : { machineId: like.machineId }),
    defects: [],
    conditioning: like?.conditioning ?? 'dry',
    loadDirection: 'as-drawn',
  };
}

/** How the specimens of each arm look, and what one should weigh. */
function appearanceOf(campaign: Campaign, library: Workshop, spools: readonly SpoolInStock[]): ArmAppearance[] {
  const method = findMethod(campaign.methodId);
  const { agentId: _fluid, ...sizes } = campaign.setUp;
  const volumeMm3 = method?.volumeMm3?.(sizes);
  return campaign.arms.flatMap((arm) => {
    const grade = library.grades.find(({ id }) => id === arm.gradeId);
    if (!grade) return [];
    const spoolId = campaign.specimens.find(({ armId, spoolId: known }) => armId === arm.id && known)?.spoolId;
    const spool =
      spools.find((one) => one.spool.id === spoolId)?.spool ??
      spools.find((one) => one.spool.gradeId === grade.id)?.spool;
    const density = prepareMaterial(grade, 'dry', library.rules, false).density;
    return [
      {
        armId: arm.id,
        grade,
        colour: spool?.colour ?? grade.colours[0] ?? 'of unknown colour',
        massG: density.known && volumeMm3 !== undefined ? (density.value * volumeMm3) / 1000 : undefined,
      },
    ];
  });
}

interface RowProps extends SpecimenFieldsProps {
  looks: readonly ArmAppearance[];
  open: boolean;
  onOpen: () => void;
}

function SpecimenRows({
  specimen,
  campaign,
  library,
  looks,
  spools,
  tested,
  open,
  onOpen,
  onChange,
  onRemove,
}: RowProps) {
  const units = useAppSelector((state) => state.settings.units);
  const say = useSay();
  const arm = campaign.arms.find(({ id }) => id === specimen.armId);
  const grade = library.grades.find(({ id }) => id === arm?.gradeId);
  const swapped = swappedWith(specimen, looks);
  return (
    <>
      <tr className="border-b border-line align-top hover:bg-sunken">
        <th scope="row" className="px-3 py-1.5 text-left">
          {specimen.id}
          <span className="block text-xs font-normal text-quiet">{notches(specimen.armId)}</span>
        </th>
        <td className="px-3 py-1.5">
          {grade?.name ?? arm?.gradeId}
          <span className="block text-xs text-quiet">{arm && WAY_WORDS[arm.orientation]}</span>
        </td>
        <td className="px-3 py-1.5">
          {specimen.spoolId ? (
            <Link to={`/spools/${specimen.spoolId}`} className="hover:underline">
              {specimen.spoolId}
            </Link>
          ) : (
            <span className="text-quiet">not said</span>
          )}
        </td>
        <td className="px-3 py-1.5">{CONDITIONING_WORDS[specimen.conditioning]}</td>
        <td className="max-w-72 px-3 py-1.5">
          {specimen.massG === undefined ? (
            <span className="text-quiet">not weighed</span>
          ) : (
            amount(specimen.massG, 'g', units)
          )}
          {swapped && <span className="block text-xs text-unknown">{say(swapped.text)}</span>}
          {specimen.defects.length > 0 && (
            <span className="block text-xs text-unknown">
              {specimen.defects.map((one) => DEFECT_WORDS[one]).join(', ')}
            </span>
          )}
        </td>
        <td className="px-3 py-1.5">
          {tested ? (
            'tested'
          ) : (
            <Link to={`?show=capture&specimen=${specimen.id}`} className="underline">
              test it
            </Link>
          )}
        </td>
        <td className="px-3 py-1.5 text-right">
          <Button
            look="quiet"
            aria-expanded={open}
            aria-label={`${open ? 'Close' : 'Describe'} ${specimen.id}`}
            onClick={onOpen}
          >
            {open ? 'Close' : 'Describe'}
          </Button>
        </td>
      </tr>
      {open && (
        <tr className="border-b border-line bg-sunken">
          <td colSpan={HEADINGS.length} className="px-3 py-3">
            <SpecimenFields {...{ specimen, campaign, library, spools, tested, onChange, onRemove }} />
          </td>
        </tr>
      )}
    </>
  );
}
