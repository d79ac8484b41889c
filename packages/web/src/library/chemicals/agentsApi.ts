import type { AgentOfWorkshop } from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

export const { useOwnAgentsQuery, useSaveAgentMutation, useRemoveAgentMutation } = api.injectEndpoints({
  endpoints: (build) => ({
    ownAgents: build.query<AgentOfWorkshop[], void>({ query: () => 'chemicals', providesTags: ['Chemical'] }),
    saveAgent: build.mutation<AgentOfWorkshop, AgentOfWorkshop>({
      extraOptions: { kept: 'Fluid' },
      query: (body) => ({ url: `chemicals/${body.agent.id}`, method: 'PUT', body }),
      invalidatesTags: ['Chemical', 'Library'],
    }),
    removeAgent: build.mutation<void, { id: string; revision: number }>({
      query: ({ id, revision }) => ({ url: `chemicals/${id}?revision=${revision}`, method: 'DELETE' }),
      invalidatesTags: ['Chemical', 'Library'],
    }),
  }),
});
