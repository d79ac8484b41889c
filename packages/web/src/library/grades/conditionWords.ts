import { duration } from '@anvilstone/core/foundations';
import {
  CONDITION_TITLES,
  conditionText,
  findAgent,
  PROPERTY_DEFINITIONS,
  TEST_PARAMETERS,
  type Condition,
} from '@anvilstone/core/materials';
import type { Observation } from '@anvilstone/schema';

const ORIENTATION = { XY: 'XY flat', XZ: 'XZ on edge', ZX: 'ZX upright' };
export const SOURCE_WORDS = { bench: 'own bench', datasheet: 'data sheet', estimate: 'estimate' };

/** The conditions of an observation in words; what the method needs and the report does not state is said to be missing. */
export function conditionWords(observation: Observation): { text: string; missing: boolean }[] {
  const { conditions } = PROPERTY_DEFINITIONS[observation.property];
  const extra = (Object.keys(TEST_PARAMETERS) as Condition[]).filter(
    (name) => !conditions.includes(name) && observation[name] !== undefined,
  );
  const state: Condition[] = observation.crystallinity ? ['crystallinity'] : [];
  const words = [...conditions, ...state, ...extra].map((condition) => {
    const text = conditionText(observation, condition);
    if (text === null) return { text: `${CONDITION_TITLES[condition].toLowerCase()} not stated`, missing: true };
    if (condition === 'orientation') return { text: ORIENTATION[text as keyof typeof ORIENTATION], missing: false };
    if (condition === 'agentId') return { text: findAgent(text)?.name ?? text, missing: false };
    if (condition === 'durationH') return { text: `for ${duration(observation.durationH!)}`, missing: false };
    const named = condition in TEST_PARAMETERS;
    return { text: named ? `${CONDITION_TITLES[condition].toLowerCase()} ${text}` : text, missing: false };
  });
  return observation.method ? [...words, { text: observation.method, missing: false }] : words;
}
