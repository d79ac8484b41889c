import { configureStore } from '@reduxjs/toolkit';
import { api } from '../api/api.ts';
import { draftReducer } from '../drafts/draft.ts';
import type { Store } from '../store/store.ts';

/** The part of the store that sending needs, with no page around it. Used by tests only. */
export const makeStore = () =>
  configureStore({
    reducer: { [api.reducerPath]: api.reducer, draft: draftReducer },
    middleware: (defaults) => defaults().concat(api.middleware),
  }) as unknown as Store;
