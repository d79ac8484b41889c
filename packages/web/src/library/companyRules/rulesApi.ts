import type { CompanyRulesHistory, CompanyRulesRecord } from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

export const { useSaveCompanyRulesMutation, useCompanyRulesHistoryQuery } = api.injectEndpoints({
  endpoints: (build) => ({
    saveCompanyRules: build.mutation<CompanyRulesRecord, CompanyRulesRecord>({
      extraOptions: { kept: 'Company rules' },
      query: (body) => ({ url: 'house-rules', method: 'PUT', body }),
      invalidatesTags: ['HouseRules'],
    }),
    companyRulesHistory: build.query<CompanyRulesHistory, void>({
      query: () => 'house-rules/history',
      providesTags: ['HouseRules'],
    }),
  }),
});
