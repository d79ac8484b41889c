import type { ComponentType } from 'react';

export interface Stage {
  id: string;
  title: string;
  /** The question it answers. */
  question: string;
  lazy: () => Promise<ComponentType>;
}

/** Stages of a part, in the order of the work. The next one is one line here. */
export const stages: readonly Stage[] = [
  {
    id: 'brief',
    title: 'Brief',
    question: 'What must it do?',
    lazy: async () => (await import('../brief/BriefStage.tsx')).BriefStage,
  },
  {
    id: 'shortlist',
    title: 'Shortlist',
    question: 'What survives, and why?',
    lazy: async () => (await import('../shortlist/ShortlistStage.tsx')).ShortlistStage,
  },
  {
    id: 'compare',
    title: 'Compare',
    question: 'Which of these few?',
    lazy: async () => (await import('../compare/CompareStage.tsx')).CompareStage,
  },
  {
    id: 'build',
    title: 'Build',
    question: 'Which way up, which walls, where fibre?',
    lazy: async () => (await import('../build/BuildStage.tsx')).BuildStage,
  },
  {
    id: 'plan',
    title: 'Print plan',
    question: 'Can we, and how?',
    lazy: async () => (await import('../plan/PlanStage.tsx')).PlanStage,
  },
  {
    id: 'bench',
    title: 'Bench',
    question: 'Is it true?',
    lazy: async () => (await import('../bench/BenchStage.tsx')).BenchStage,
  },
  {
    id: 'decision',
    title: 'Decision',
    question: 'What was chosen, on what grounds?',
    lazy: async () => (await import('../decision/DecisionStage.tsx')).DecisionStage,
  },
  {
    id: 'service',
    title: 'Service',
    question: 'Did it last?',
    lazy: async () => (await import('../service/ServiceStage.tsx')).ServiceStage,
  },
];
