import type { FitFinding } from './machineFit.ts';

export const blocker = (text: string): FitFinding => ({ verdict: 'blocker', text });
export const caution = (text: string): FitFinding => ({ verdict: 'caution', text });
