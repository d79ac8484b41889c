import { rowSortingFeature, tableFeatures } from '@tanstack/react-table';
import type { ReactNode } from 'react';

export interface Sort {
  by: string;
  descending: boolean;
}

export interface TableColumn<T> {
  id: string;
  title: string;
  /** Told on hover. */
  means?: string | undefined;
  /** Of its numbers; it has a line of its own. */
  unit?: string | undefined;
  px: number;
  /** Takes its share of the width that is left. */
  shares?: boolean;
  isRight?: boolean;
  /** The title is for those who do not see the table. */
  isUntitled?: boolean;
  /** Stays in sight at so many pixels from the left. */
  staysAtPx?: number;
  /** Rows can be ordered by it; which way first. */
  sorts?: 'rising' | 'falling';
  cell?: (row: T) => ReactNode;
}

/** What the tables use of the library. The cells of each are drawn from rows of its own. */
export const features = tableFeatures({ rowSortingFeature, columnMeta: {} as { column: TableColumn<never> } });
