import type { Brief, FluidContact } from '@anvilstone/schema';
import { formatNumber as f, formatQuantity, type UnitSystem, duration } from '@anvilstone/core/foundations';

type Asks = Brief['asks'];

export const CONTACT_WORDS: Record<FluidContact['contact'], string> = {
  splash: 'splashed with',
  wipe: 'wiped with',
  vapour: 'in the vapour of',
  immersion: 'lying in',
};
const STRENGTH_WORDS = { weaker: 'thinned ', usual: '', stronger: 'stronger than usual ' } as const;

/** One fluid of the brief in a line: “Splashed with alcohols at 23 °C for 20 h altogether”. */
export function fluidSentence(fluid: FluidContact, units: UnitSystem, agentName: (id: string) => string): string {
  const contact = CONTACT_WORDS[fluid.contact];
  const strength = STRENGTH_WORDS[fluid.strength ?? 'usual'];
  const name = agentName(fluid.agentId).replace(/,[^,]*°C$/, '');
  const lower = `${name.charAt(0).toLowerCase()}${name.slice(1)}`;
  return `${contact.charAt(0).toUpperCase()}${contact.slice(1)} ${strength}${lower} at ${formatQuantity(fluid.temperatureC, 'temperature', units)} for ${duration(fluid.hours)} altogether`;
}

/** What the surroundings ask, one line each. */
export function surroundingSentences(asks: Asks, units: UnitSystem, agentName: (id: string) => string): string[] {
  const length = (mm: number) => formatQuantity(mm, 'length', units);
  const degrees = (value: number) => formatQuantity(value, 'temperature', units);
  const lines: (string | false | undefined)[] = [
    ...(asks.fluids ?? []).map((fluid) => fluidSentence(fluid, units, agentName)),
    asks.outdoors &&
      `In the open ${f(asks.outdoors.hoursPerYear)} h a year for ${f(asks.outdoors.years)} years, keeping ${f(asks.outdoors.keepPct)} % of its strength`,
    asks.electrostatic &&
      `Surface ${asks.electrostatic.range}${asks.electrostatic.driestRhPct === undefined ? '' : ` down to ${f(asks.electrostatic.driestRhPct)} % RH`}${asks.electrostatic.worn ? ', worn in service' : ''}`,
    asks.insulation && `Keeps ${f(asks.insulation.voltageV)} V apart`,
    asks.flameClass &&
      `Flame class ${asks.flameClass} at ${asks.flameThicknessMm === undefined ? 'its thinnest wall' : formatQuantity(asks.flameThicknessMm, 'length', units)}`,
    asks.oxygenIndexPct !== undefined && `Oxygen index of at least ${f(asks.oxygenIndexPct)} %`,
    asks.smokeStandard &&
      `Smoke to ${asks.smokeStandard}${asks.smokeAtMost === undefined ? '' : `, at most ${f(asks.smokeAtMost)}`}`,
    asks.food && `Touches ${asks.food === 'dry' ? 'dry food' : 'wet or fatty food'}`,
    asks.skin && `Touches skin ${asks.skin === 'brief' ? 'for minutes' : 'for hours a day'}`,
    asks.sterilise && `Sterilised ${f(asks.sterilise.cycles)} times: ${asks.sterilise.method}`,
    asks.outgassing && 'Low outgassing',
    asks.fit &&
      `${length(asks.fit.nominalMm)} has to fit within ±${length(asks.fit.allowedMm)}, up to ${f(asks.fit.dampestRhPct)} % RH, ${degrees(asks.fit.coldestC)} to ${degrees(asks.fit.hottestC)}`,
    asks.clarity && (asks.clarity === 'see-through' ? 'Transparent' : 'Translucent'),
    asks.colour?.wanted && `Colour: ${asks.colour.wanted}`,
    asks.colour?.notBlack && 'Any colour but black',
    asks.layerLinesHidden && 'Layer lines hidden',
    asks.liesFlat && 'No warpage in printing',
    asks.dissolves && `Dissolves in ${asks.dissolves.bath} within ${duration(asks.dissolves.withinH)}`,
    ...(asks.origin ?? []).map((origin) => `${origin.charAt(0).toUpperCase()}${origin.slice(1)} material preferred`),
    asks.availableWithinDays !== undefined && `Lead time at most ${f(asks.availableWithinDays)} days`,
  ];
  return lines.filter((line) => typeof line === 'string' && line !== '') as string[];
}
