import type { Statement } from '@anvilstone/schema';
import type { FitFinding } from './fitFinding.ts';

export const blocker = (text: Statement): FitFinding => ({ verdict: 'blocker', text });
export const caution = (text: Statement): FitFinding => ({ verdict: 'caution', text });
