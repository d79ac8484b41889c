import type { CompanyRulesHistory, CompanyRulesRecord } from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

export const { useSaveCompanyRulesMutation, useCompanyRulesHistoryQuery } = api.injectEndpoints({
  endpoints: (build) => ({
    saveCompanyRules: build.mutation<CompanyRulesRecord, CompanyRulesRecord>({
      extraOptions: { kept: 'Company rules' },
      query: (body) => ({ url: 'company-rules', method: 'PUT', body }),
      invalidatesTags: ['CompanyRules'],
    }),
    companyRulesHistory: build.query<CompanyRulesHistory, void>({
      query: () => 'company-rules/history',
      providesTags: ['CompanyRules'],
    }),
  }),
});
