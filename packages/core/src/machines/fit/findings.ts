import type { FitFinding } from './fitFinding.ts';

export const blocker = (text: string): FitFinding => ({ verdict: 'blocker', text });
export const caution = (text: string): FitFinding => ({ verdict: 'caution', text });
