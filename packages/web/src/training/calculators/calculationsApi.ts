import { api } from '../../sync/api/api.ts';

export interface Calculation {
  calculatorId: string;
  input: Record<string, unknown>;
}

export const { useRunCalculationQuery } = api.injectEndpoints({
  endpoints: (build) => ({
    /** A sum has no state on the server: the same input gives the same answer, so it may be kept. */
    runCalculation: build.query<Record<string, unknown>, Calculation>({
      query: ({ calculatorId, input }) => ({ url: `calculators/${calculatorId}`, method: 'POST', body: input }),
    }),
  }),
});
