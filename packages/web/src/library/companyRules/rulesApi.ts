import type { HouseRulesHistory, HouseRulesRecord } from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

export const { useSaveHouseRulesMutation, useHouseRulesHistoryQuery } = api.injectEndpoints({
  endpoints: (build) => ({
    saveHouseRules: build.mutation<HouseRulesRecord, HouseRulesRecord>({
      extraOptions: { kept: 'Company rules' },
      query: (body) => ({ url: 'house-rules', method: 'PUT', body }),
      invalidatesTags: ['HouseRules'],
    }),
    houseRulesHistory: build.query<HouseRulesHistory, void>({
      query: () => 'house-rules/history',
      providesTags: ['HouseRules'],
    }),
  }),
});
