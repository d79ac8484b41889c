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
    question: 'What must the part do?',
    lazy: async () => (await import('../brief/BriefStage.tsx')).BriefStage,
  },
  {
    id: 'shortlist',
    title: 'Shortlist',
    question: 'Which grades pass, and why?',
    lazy: async () => (await import('../shortlist/ShortlistStage.tsx')).ShortlistStage,
  },
  {
    id: 'compare',
    title: 'Compare',
    question: 'Which candidate is best?',
    lazy: async () => (await import('../compare/CompareStage.tsx')).CompareStage,
  },
  {
    id: 'build',
    title: 'Build',
    question: 'Which orientation, walls and fibre?',
    lazy: async () => (await import('../build/BuildStage.tsx')).BuildStage,
  },
  {
    id: 'plan',
    title: 'Print plan',
    question: 'How is it printed?',
    lazy: async () => (await import('../plan/PlanStage.tsx')).PlanStage,
  },
  {
    id: 'bench',
    title: 'Bench',
    question: 'Do the tests confirm it?',
    lazy: async () => (await import('../bench/BenchStage.tsx')).BenchStage,
  },
  {
    id: 'decision',
    title: 'Decision',
    question: 'What was chosen, and why?',
    lazy: async () => (await import('../decision/DecisionStage.tsx')).DecisionStage,
  },
  {
    id: 'service',
    title: 'Service',
    question: 'How does it perform in service?',
    lazy: async () => (await import('../service/ServiceStage.tsx')).ServiceStage,
  },
];
