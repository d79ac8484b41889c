/** What a mark stands for; each face of the app gives it a look that suits its ground. */
export type Role =
  | 'grid'
  | 'axis'
  | 'series'
  | 'need'
  | 'need-line'
  | 'limit'
  | 'mark'
  | 'part-0'
  | 'part-1'
  | 'part-2'
  | 'part-3';

export type Mark =
  | { kind: 'path'; role: Role; d: string; dash?: string }
  | { kind: 'rect'; role: Role; x: number; y: number; width: number; height: number; title?: string }
  | {
      kind: 'text';
      role: Role;
      x: number;
      y: number;
      text: string;
      anchor: 'start' | 'middle' | 'end';
      bold?: boolean;
    };

/** A diagram as marks with places: the page, a file and a printed document all paint the same one. */
export interface Drawing {
  id: string;
  title: string;
  width: number;
  height: number;
  marks: readonly Mark[];
}
