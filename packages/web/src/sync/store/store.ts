import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { gradesViewReducer, keepGradesView } from './gradesView.ts';
import { guideReducer } from './guideSlice.ts';
import { api } from '../api/api.ts';
import { makeAutosave } from '../drafts/autosave.ts';
import { draftReducer } from '../drafts/draft.ts';
import { keepSettings, settingsReducer } from './settings.ts';

/** What the store holds. */
export const reducer = {
  [api.reducerPath]: api.reducer,
  settings: settingsReducer,
  draft: draftReducer,
  guide: guideReducer,
  gradesView: gradesViewReducer,
};

export function makeStore() {
  const store = configureStore({
    reducer,
    middleware: (defaults) =>
      // Answers hold every grade, files and maps: a store being developed is checked without them.
      defaults({
        immutableCheck: { ignoredPaths: [api.reducerPath] },
        serializableCheck: { ignoredPaths: [api.reducerPath], ignoreActions: true },
      })
        .prepend(makeAutosave().middleware)
        .concat(api.middleware),
  });
  let { settings, gradesView: view } = store.getState();
  document.documentElement.dataset.theme = settings.theme;
  store.subscribe(() => {
    const { settings: next, gradesView: nextView } = store.getState();
    if (nextView !== view) {
      view = nextView;
      keepGradesView(view);
    }
    if (next === settings) return;
    settings = next;
    keepSettings(settings);
    document.documentElement.dataset.theme = settings.theme;
  });
  return store;
}

export type Store = ReturnType<typeof makeStore>;
export type RootState = ReturnType<Store['getState']>;
export const useAppDispatch = useDispatch.withTypes<Store['dispatch']>();
export const useAppStore = useStore.withTypes<Store>();
export const useAppSelector = useSelector.withTypes<RootState>();
