import type { MachineRecord } from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

export const { useSaveMachineMutation, useRemoveMachineMutation } = api.injectEndpoints({
  endpoints: (build) => ({
    saveMachine: build.mutation<MachineRecord, MachineRecord>({
      extraOptions: { kept: 'Machine' },
      query: (body) => ({ url: `machines/${body.machine.id}`, method: 'PUT', body }),
      invalidatesTags: ['Machine', 'Library'],
    }),
    removeMachine: build.mutation<void, { id: string; revision: number }>({
      query: ({ id, revision }) => ({ url: `machines/${id}?revision=${revision}`, method: 'DELETE' }),
      invalidatesTags: ['Machine', 'Library'],
    }),
  }),
});
