import { FIXED_TO, type Brief } from '@anvilstone/schema';
import { Choice } from '../../../ui/fields.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { bounds } from '../bounds.ts';
import { useIssue } from '../editBrief.ts';
import { choiceWords } from '../../../ui/form/fieldWords.ts';

type ThermalFit = NonNullable<Brief['asks']['thermalFit']>;
type Sliding = NonNullable<Brief['asks']['sliding']>;

/** What the part is fixed to, over which length, between which temperatures, and how much the joint can take. */
export function ThermalFitFields({ ask, onChange }: { ask: ThermalFit; onChange: (ask: ThermalFit) => void }) {
  const issue = useIssue('/asks/thermalFit/coldestC');
  return (
    <div className="grid grid-cols-3 narrow:grid-cols-2 gap-3">
      <Choice
        label="Fixed to"
        value={ask.fixedTo}
        options={FIXED_TO.map((value) => ({ value, label: choiceWords(value) }))}
        onChange={(fixedTo) => onChange({ ...ask, fixedTo })}
      />
      <QuantityField
        label="Length between fixings"
        dimension="length"
        value={ask.lengthMm}
        bounds={bounds.fitLength}
        onChange={(lengthMm) => onChange({ ...ask, lengthMm })}
      />
      <QuantityField
        label="Joint tolerance"
        dimension="length"
        value={ask.allowedMm}
        bounds={bounds.fitAllowed}
        hint="each way from 23 °C"
        onChange={(allowedMm) => onChange({ ...ask, allowedMm })}
      />
      <QuantityField
        label="Coldest"
        dimension="temperature"
        value={ask.coldestC}
        bounds={bounds.temperature}
        error={issue}
        onChange={(coldestC) => onChange({ ...ask, coldestC })}
      />
      <QuantityField
        label="Hottest"
        dimension="temperature"
        value={ask.hottestC}
        bounds={bounds.temperature}
        onChange={(hottestC) => onChange({ ...ask, hottestC })}
      />
    </div>
  );
}

/** A first guess: a face of a centimetre by a centimetre. */
const USUAL_AREA_MM2 = 100;

/** How hard it is pressed: as a pressure, or as force on an area, which makes one. */
function ContactFields({ ask, onChange }: { ask: Sliding; onChange: (ask: Sliding) => void }) {
  const { contactForceN: forceN, contactAreaMm2: areaMm2, ...plain } = ask;
  const byForce = forceN !== undefined && areaMm2 !== undefined;
  const pressed = (contactForceN: number, contactAreaMm2: number) =>
    onChange({ ...ask, contactForceN, contactAreaMm2, pressureMPa: contactForceN / contactAreaMm2 });
  return (
    <>
      <Choice
        label="Contact known as"
        value={byForce ? 'force' : 'pressure'}
        options={[
          { value: 'pressure', label: 'Pressure' },
          { value: 'force', label: 'Force on an area' },
        ]}
        onChange={(how) =>
          how === 'force' ? pressed(ask.pressureMPa * USUAL_AREA_MM2, USUAL_AREA_MM2) : onChange(plain)
        }
      />
      {byForce ? (
        <>
          <QuantityField
            label="Contact force"
            dimension="force"
            value={forceN}
            bounds={bounds.contactForce}
            onChange={(value) => pressed(value, areaMm2)}
          />
          <QuantityField
            label="Contact area"
            dimension="area"
            value={areaMm2}
            bounds={bounds.contactArea}
            onChange={(value) => pressed(forceN, value)}
          />
        </>
      ) : (
        <QuantityField
          label="Contact pressure"
          dimension="stress"
          value={ask.pressureMPa}
          bounds={bounds.contactPressure}
          onChange={(pressureMPa) => onChange({ ...ask, pressureMPa })}
        />
      )}
    </>
  );
}

/** How hard and how fast it rubs. */
export function SlidingFields({ ask, onChange }: { ask: Sliding; onChange: (ask: Sliding) => void }) {
  const clear = (field: 'maxFriction' | 'distanceKm' | 'maxWearMm') => () => {
    const { [field]: _gone, ...rest } = ask;
    onChange(rest);
  };
  return (
    <div className="grid grid-cols-3 narrow:grid-cols-2 gap-3">
      <ContactFields ask={ask} onChange={onChange} />
      <QuantityField
        label="Sliding speed"
        dimension="speed"
        value={ask.speedMPerS}
        bounds={bounds.slidingSpeed}
        onChange={(speedMPerS) => onChange({ ...ask, speedMPerS })}
      />
      <Choice
        label="Running"
        value={ask.running ?? 'dry'}
        options={[
          { value: 'dry', label: 'Dry' },
          { value: 'greased', label: 'Greased' },
        ]}
        onChange={(running) => onChange({ ...ask, running })}
      />
      <QuantityField
        label="Maximum friction"
        dimension="ratio"
        value={ask.maxFriction}
        bounds={bounds.friction}
        hint="against steel; empty = not asked"
        onChange={(maxFriction) => onChange({ ...ask, maxFriction })}
        onClear={clear('maxFriction')}
      />
      <QuantityField
        label="Sliding distance, km"
        dimension="ratio"
        value={ask.distanceKm}
        bounds={bounds.slidingDistance}
        hint="empty = no wear requirement"
        onChange={(distanceKm) => onChange({ ...ask, distanceKm })}
        onClear={clear('distanceKm')}
      />
      <QuantityField
        label="Wear limit"
        dimension="length"
        value={ask.maxWearMm}
        bounds={bounds.wear}
        hint="empty = no wear requirement"
        onChange={(maxWearMm) => onChange({ ...ask, maxWearMm })}
        onClear={clear('maxWearMm')}
      />
    </div>
  );
}
